import { type FormEvent, useState } from "react";
import { answer, api, type Paid, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { isZero, money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";

/** An amount as cents of its own decimals, for adding up what is typed; the server checks it. */
const sum = (amounts: string[], digits: number): string =>
  (amounts.reduce((all, amount) => all + Math.round(Number(amount) * 10 ** digits), 0) / 10 ** digits).toFixed(digits);

interface Props {
  order: WholeOrder;
  paid: Paid;
  /** Item by item, where it is known what is owed. */
  owed: Record<string, string> | undefined;
  fresh: (order: WholeOrder) => void;
}

/** Giving money back: an amount over everything that is left, or item by item. The key is made once, so a second click gives back nothing more. */
export function Refund({ order, paid, owed, fresh }: Props) {
  const { shop, setup } = useBench();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  const [amount, setAmount] = useState<string>();
  const [parts, setParts] = useState<Record<string, string>>(owed ?? {});
  const digits = paid.toRefund.split(".")[1]?.length ?? 0;
  const named = Object.fromEntries(
    Object.entries(parts).filter(([, part]) => part.trim() !== "" && Number(part) !== 0),
  );
  const byItem = Object.keys(named).length > 0;
  const whole = byItem ? sum(Object.values(named), digits) : (amount ?? paid.toRefund);
  const refund = async (event: FormEvent) => {
    event.preventDefault();
    const body = { key, amount: whole.trim(), payment: paid.id, parts: named };
    await answer(
      api.POST("/api/shops/{shop}/orders/{number}/refund", { params: { path: { shop, number: order.number } }, body }),
    ).then(
      (after) => {
        setProblems([]);
        setParts({});
        setAmount(undefined);
        setKey(crypto.randomUUID());
        fresh(after);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <form onSubmit={refund}>
      <div className="join">
        <input
          name="amount"
          value={whole}
          readOnly={byItem}
          onChange={(event) => setAmount(event.target.value)}
          aria-label={say("amountRefund", {
            currency: order.currency,
            part: paid.part && say("ofPart", { part: paid.part }),
          })}
          className="input input-sm join-item w-28 figure"
          inputMode="decimal"
        />
        <button type="submit" className="btn btn-sm join-item">
          {say("refund")}
        </button>
      </div>
      <details className="mt-1" open={owed !== undefined}>
        <summary className="cursor-pointer text-sm quiet">{say("forWhat")}</summary>
        <table className="mt-1">
          <caption className="sr-only">{say("whatRefundFor")}</caption>
          <tbody>
            {order.items
              .filter((item) => !isZero(item.left))
              .map((item) => (
                <tr key={item.item}>
                  <th scope="row" className="pe-3 text-start font-normal">
                    {item.name}
                    <span className="quiet">
                      {" "}
                      {say("left", { left: money(item.left, order.currency, readIn(setup.shop.language)) })}
                    </span>
                  </th>
                  <td>
                    <input
                      className="input input-xs w-20 figure"
                      inputMode="decimal"
                      aria-label={say("ofNamed", { name: item.name, currency: order.currency })}
                      value={parts[item.item] ?? ""}
                      onChange={(event) => setParts({ ...parts, [item.item]: event.target.value })}
                    />
                  </td>
                  <td>
                    <button
                      type="button"
                      className="cursor-pointer ps-2 underline"
                      onClick={() => setParts({ ...parts, [item.item]: item.left })}
                    >
                      {say("allOfThem")}
                    </button>
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
        <p className="text-xs quiet">{say("leftEmptySharedOverAll")}</p>
      </details>
      <Said problems={problems} />
    </form>
  );
}
