import { type FormEvent, useState } from "react";
import { useParams } from "react-router";
import { answer, api, type PlacedOrder, type Problem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { CardNumber } from "./CardNumber";
import { leaveToPay } from "./otherSite";
import { useSay } from "./phrases";
import { tokenOf } from "./token";

/** The card. Its number never comes to the shop. */
export function CardForm({ order, fresh }: { order: PlacedOrder; fresh: (order: PlacedOrder) => void }) {
  const { shop = "" } = useParams();
  const say = useSay();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const pay = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const number = String(new FormData(event.currentTarget).get("number"));
    setBusy(true);
    setProblems([]);
    const { token, problem } = await tokenOf(order.processor ?? "", order.publicKey ?? "", number, say);
    if (token) {
      await answer(
        api.POST("/api/counter/orders/{token}/payments", {
          params: { path: { token: order.token } },
          body: { cardToken: token },
        }),
      ).then(
        (after) => {
          fresh(after);
          if (after.state === "needs-buyer" && after.action) leaveToPay(shop, order.token, after.action);
        },
        (reason: unknown) => setProblems(problemsOf(reason)),
      );
    } else if (problem) {
      setProblems([problem]);
    }
    setBusy(false);
  };
  return (
    <form onSubmit={pay}>
      <CardNumber />
      {order.test && (
        <p className="mt-2 border border-dashed border-warning px-2 py-1 text-xs">
          {say.marked("testMode", {
            processor: (parts) => (
              <a key="processor" className="underline" href={`${order.processor}/`} target="_blank" rel="noreferrer">
                {parts}
              </a>
            ),
          })}
        </p>
      )}
      <Said problems={problems} />
      <button type="submit" className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-4 w-full" disabled={busy}>
        {busy ? say("askingBank") : say("pay")}
      </button>
    </form>
  );
}
