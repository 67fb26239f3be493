import { type FormEvent, useState } from "react";
import { answer, api, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { Repricing, useRepricing } from "./Repricing";

interface Props {
  shop: string;
  order: WholeOrder;
}

/** How many there are of what an order holds of which nothing has left. */
export function QuantityChange({ shop, order }: Props) {
  const { setup } = useBench();
  const [open, setOpen] = useState(false);
  const change = useRepricing(
    shop,
    (quantities: string[], look) =>
      answer(
        api.PUT("/api/shops/{shop}/orders/{number}/lines", {
          params: { path: { shop, number: order.number }, query: { look } },
          body: { quantities },
        }),
      ),
    () => setOpen(false),
  );
  // Whether it can be is decided where it is kept; nothing is offered where it cannot be by any means.
  const stands = ["unpaid", "waiting", "failed", "authorised", "paid", "paid in part"].includes(order.standing);
  if (!stands || order.sent === "all" || order.sent === "in part" || order.cancelledAt) return null;
  if (!open) {
    return (
      <p className="mt-2 text-sm">
        <TextButton onClick={() => setOpen(true)}>{say("changeQuantities")}</TextButton>
      </p>
    );
  }
  const nameOf = (index: number): string => {
    const line = order.quote.lines.find((each) => each.ordered === index);
    return line ? [line.name, ...line.choices].join(", ") : (order.lines[index]?.product ?? "");
  };
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = new FormData(event.currentTarget);
    change.look(
      order.lines.map((_, index) =>
        String(typed.get(`quantity-${index}`) || "0")
          .trim()
          .replace(",", "."),
      ),
    );
  };
  return (
    <form onSubmit={submit} className="mt-3 grid gap-2 text-sm">
      <p className="quiet">
        {say("changeQuantitiesNote")}
        {order.standing === "authorised" &&
          ` ${say("cardHoldsAtMost", { amount: money(order.payable, order.currency, readIn(setup.shop.language)) })}`}
      </p>
      {order.lines.map((line, index) => (
        <label
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the order
          key={index}
          className="flex items-baseline gap-3"
        >
          <input
            name={`quantity-${index}`}
            inputMode="decimal"
            maxLength={12}
            className="inplace figure w-16 text-end"
            defaultValue={line.quantity}
            autoFocus={index === 0}
          />
          {nameOf(index)}
        </label>
      ))}
      <Repricing change={change} paid={order.standing.startsWith("paid")} />
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm" disabled={change.busy}>
          {say("saveQuantities")}
        </button>
        <TextButton onClick={() => setOpen(false)}>{say("keepAddress")}</TextButton>
      </p>
    </form>
  );
}
