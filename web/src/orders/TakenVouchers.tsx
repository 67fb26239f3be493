import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { isZero, money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";

/** Vouchers that lowered what the order costs: what they lost goes back to them, in part or whole. */
export function TakenVouchers({ order }: { order: WholeOrder }) {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const params = { path: { shop, number: order.number } };
  const key = ["taken-vouchers", shop, order.number];
  const taken = useQuery({
    queryKey: [...key, order.cancelledAt],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/taken-vouchers", { params })),
  });
  if (!taken.data?.length) return null;
  const figure = (amount: string) => money(amount, order.currency, readIn(setup.shop.language));
  const giveBack = (code: string, was: string) => (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const amount = String(new FormData(form).get("amount") ?? "").trim();
    void answer(
      api.POST("/api/shops/{shop}/orders/{number}/taken-vouchers", { params, body: { code, was, amount } }),
    ).then(
      async () => {
        setProblems([]);
        form.reset();
        await client.invalidateQueries({ queryKey: key });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <section aria-label={say("takenVouchers")} className="mb-6">
      <h2 className="mb-1">{say("takenVouchers")}</h2>
      {taken.data.map(({ code, amount, back }) => (
        <div key={code} className="border-b border-base-300 py-1">
          <p className="flex flex-wrap gap-x-3">
            <span className="font-mono">{code}</span>
            <span className="quiet">{say("takenOffHere", { amount: figure(amount) })}</span>
            {!isZero(back) && <span className="quiet">{say("backOnIt", { amount: figure(back) })}</span>}
          </p>
          {amount !== back && (
            <form className="join mt-1" onSubmit={giveBack(code, back)}>
              <input
                name="amount"
                aria-label={say("backToVoucher", { code, currency: order.currency })}
                className="input input-sm join-item w-28 figure"
                inputMode="decimal"
              />
              <button type="submit" className="btn btn-sm join-item">
                {say("giveBackToVoucher")}
              </button>
            </form>
          )}
        </div>
      ))}
      <Said problems={problems} />
    </section>
  );
}
