import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { plain } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** What came back of what had left, and whether it went into stock again. */
export function CameBack({ order }: { order: WholeOrder }) {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  // One key for what is typed, so that pressing twice takes it back once.
  const [key, setKey] = useState(() => crypto.randomUUID());
  const path = { shop, number: order.number };
  const of = ["back", shop, order.number];
  const back = useQuery({
    queryKey: of,
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/back", { params: { path } })),
  });
  const language = readIn(setup.shop.language);
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: setup.shop.timeZone });
  const nameOf = (line: number) => order.quote.lines[line]?.name ?? "";
  const leftOf = (line: number) =>
    Number(order.quote.lines[line]?.quantity ?? 0) -
    (back.data ?? []).filter((each) => each.line === line).reduce((sum, each) => sum + Number(each.quantity), 0);
  const out = order.gone.filter((line) => leftOf(line) > 0);
  const take = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const lines = Object.fromEntries(
      out
        .map(
          (line) =>
            [
              line,
              String(form.get(`back-${line}`) ?? "")
                .trim()
                .replace(",", "."),
            ] as const,
        )
        .filter(([, quantity]) => quantity !== ""),
    );
    const body = { key, lines, restock: form.get("restock") === "on" };
    await answer(api.POST("/api/shops/{shop}/orders/{number}/back", { params: { path }, body })).then(
      (now) => {
        client.setQueryData(of, now);
        void client.invalidateQueries({ queryKey: ["stock", shop] });
        setOpen(false);
        setProblems([]);
        setKey(crypto.randomUUID());
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  if (order.gone.length === 0) return null;
  return (
    <section aria-label={say("cameBack")} className="mb-6">
      {(back.data ?? []).map((each) => (
        <p key={`${each.at} ${each.line}`}>
          {say(each.restocked ? "backInStock" : "backNotInStock", {
            quantity: plain(each.quantity),
            thing: nameOf(each.line),
          })}
          <span className="quiet"> · {when.format(new Date(each.at))}</span>
        </p>
      ))}
      {out.length > 0 && !open && <TextButton onClick={() => setOpen(true)}>{say("somethingCameBack")}</TextButton>}
      {open && (
        <form onSubmit={(event) => void take(event)} className="border-s-2 border-base-300 ps-3">
          <h3 className="text-sm">{say("cameBack")}</h3>
          {out.map((line) => (
            <label key={line} className="flex items-baseline gap-2 py-0.5">
              <input name={`back-${line}`} className="inplace figure w-16" inputMode="decimal" autoComplete="off" />
              <span>{say("ofSoManyOut", { count: leftOf(line), thing: nameOf(line) })}</span>
            </label>
          ))}
          <label className="flex items-center gap-2 py-1">
            <input type="checkbox" name="restock" className="checkbox checkbox-sm" defaultChecked />
            {say("putIntoStock")}
          </label>
          <button type="submit" className="btn btn-sm">
            {say("itCameBack")}
          </button>
          <Said problems={problems} />
        </form>
      )}
    </section>
  );
}
