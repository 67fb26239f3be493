import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

interface Props {
  shop: string;
  order: WholeOrder;
}

/** How many there are of what an order holds of which nothing is taken yet. */
export function QuantityChange({ shop, order }: Props) {
  const { setup } = useBench();
  const [open, setOpen] = useState(false);
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: (quantities: string[]) =>
      answer(
        api.PUT("/api/shops/{shop}/orders/{number}/lines", {
          params: { path: { shop, number: order.number } },
          body: { quantities },
        }),
      ),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["order", shop] });
      setOpen(false);
    },
  });
  const waits = ["unpaid", "waiting", "failed", "authorised"].includes(order.standing);
  const paid = order.payments.some((payment) => Number(payment.captured) > 0);
  if (!waits || paid || order.sent === "all" || order.sent === "in part" || order.cancelledAt) return null;
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
    save.mutate(
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
      {save.isError && <Said problems={problemsOf(save.error)} />}
      <p className="flex gap-4">
        <button type="submit" className="btn btn-sm" disabled={save.isPending}>
          {say("saveQuantities")}
        </button>
        <TextButton onClick={() => setOpen(false)}>{say("keepAddress")}</TextButton>
      </p>
    </form>
  );
}
