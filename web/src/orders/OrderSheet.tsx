import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useParams } from "react-router";
import { answer, api, type Paid, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { isZero, money, plain } from "../shared/money";
import { countryName } from "../shared/places";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { TicketRow } from "../ticket/TicketRow";
import { figuresOf } from "../ticket/why";

/** One order: its quote with every why, the buyer, the life of its payment, capture and refund. */
export function OrderSheet() {
  const { shop, setup } = useBench();
  const number = Number(useParams().number);
  const client = useQueryClient();
  const key = ["order", shop, number];
  const query = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}", { params: { path: { shop, number } } })),
  });
  const order = query.data;
  if (query.isError) return <p role="alert">{problemsOf(query.error)[0]?.sentence}</p>;
  if (!order) return null;
  const fresh = (after: WholeOrder) => {
    client.setQueryData(key, after);
    void client.invalidateQueries({ queryKey: ["orders", shop] });
  };
  const when = new Intl.DateTimeFormat(setup.shop.language, {
    dateStyle: "long",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  });
  const figure = figuresOf(order.quote);
  const inside = order.quote.prices === "with-tax";
  return (
    <>
      <StationHead title={`Order ${order.number}`}>
        {order.mode === "test" && (
          <span className="border border-dashed border-warning px-1 text-warning">test, no money moved</span>
        )}
        <span>
          {when.format(new Date(order.placedAt))} · priced by edition {order.edition}
        </span>
        <Link className="underline" to={`/desk/${shop}/orders`}>
          All orders
        </Link>
      </StationHead>
      <div className="grid items-start gap-10 lg:grid-cols-[22rem_1fr]">
        <div className="bg-secondary p-5">
          <section className="ticket px-4 py-3" aria-label="What was charged and why">
            {order.quote.lines.map((line, index) => (
              <TicketRow
                // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the order
                key={index}
                name={[line.name, ...line.choices].join(", ")}
                note={line.quantity === "1" ? undefined : `${plain(line.quantity)} × ${line.unit.value}`}
                figure={figure(line.amount)}
              />
            ))}
            {[...order.quote.discounts, ...order.quote.deliveryDiscounts].map((discount) => (
              <TicketRow key={discount.id} name={discount.name} figure={figure(discount.amount)} minus />
            ))}
            {order.quote.delivery.map(
              (option) =>
                option.chosen &&
                option.price && <TicketRow key={option.id} name={option.name} figure={figure(option.price)} />,
            )}
            <TicketRow name="To pay" figure={figure(order.quote.payable)} total />
            {order.quote.taxes.map((group) => (
              <TicketRow
                key={`${group.name} ${group.category} ${group.percent}`}
                name={
                  group.percent ? `${group.name} ${inside ? "inside" : "added"}, ${plain(group.percent)} %` : "No tax"
                }
                note={`on ${group.amount.value}`}
                figure={figure(group.tax)}
              />
            ))}
          </section>
        </div>
        <div>
          <section aria-label="Buyer" className="mb-6">
            <h2 className="mb-1">Buyer</h2>
            <p>
              {order.name} ·{" "}
              <a href={`mailto:${order.email}`} className="underline">
                {order.email}
              </a>
            </p>
            <p>
              {[...order.address.lines, order.address.city, order.address.postcode, countryName(order.address.country)]
                .filter(Boolean)
                .join(", ")}
            </p>
          </section>
          {order.payments.length === 0 && <p className="quiet">The buyer has not paid yet.</p>}
          {order.payments.map((paid, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: tries are only ever added before these
            <Payment key={order.payments.length - index} order={order} paid={paid} latest={index === 0} fresh={fresh} />
          ))}
        </div>
      </div>
    </>
  );
}

function Payment({
  order,
  paid,
  latest,
  fresh,
}: {
  order: WholeOrder;
  paid: Paid;
  latest: boolean;
  fresh: (order: WholeOrder) => void;
}) {
  const { setup } = useBench();
  const { language, timeZone } = setup.shop;
  const amount = (value: string) => money(value, order.currency, language);
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeStyle: "medium", timeZone });
  return (
    <section aria-label="Payment" className="mb-6 border-t border-base-content pt-3">
      <h2>
        {amount(paid.amount)}, {paid.state}
      </h2>
      {paid.reason && <p className="text-error">{paid.reason}</p>}
      <p className="quiet">
        captured {amount(paid.captured)}, refunded {amount(paid.refunded)}
      </p>
      {latest && (
        <div className="mt-2 flex flex-wrap gap-6">
          {!isZero(paid.toCapture) && <Move kind="capture" order={order} most={paid.toCapture} fresh={fresh} />}
          {!isZero(paid.toRefund) && <Move kind="refund" order={order} most={paid.toRefund} fresh={fresh} />}
        </div>
      )}
      <ol className="mt-3 border-s-2 border-base-300 ps-4">
        {paid.life.map((step, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps are only ever added at the end
          <li key={index} className="py-1">
            <strong>{step.state.replace("-", " ")}</strong> {amount(step.amount)}
            <span className="quiet">
              {" "}
              · {when.format(new Date(step.at))} · {step.actor}
              {step.note && ` · ${step.note}`}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Capture or refund, all or a part. The key is made once, so a second click moves nothing more. */
function Move({
  kind,
  order,
  most,
  fresh,
}: {
  kind: "capture" | "refund";
  order: WholeOrder;
  most: string;
  fresh: (order: WholeOrder) => void;
}) {
  const { shop } = useBench();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  const move = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const body = { key, amount: String(new FormData(event.currentTarget).get("amount")).trim() };
    const params = { path: { shop, number: order.number } };
    const call =
      kind === "capture"
        ? api.POST("/api/shops/{shop}/orders/{number}/capture", { params, body })
        : api.POST("/api/shops/{shop}/orders/{number}/refund", { params, body });
    await answer(call).then(
      (after) => {
        setProblems([]);
        setKey(crypto.randomUUID());
        fresh(after);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <form onSubmit={move} className="max-w-xs">
      <div className="join">
        <input
          name="amount"
          key={most}
          defaultValue={most}
          aria-label={`Amount to ${kind}, ${order.currency}`}
          className="input input-sm join-item w-28 figure"
          inputMode="decimal"
        />
        <button type="submit" className={`btn btn-sm join-item ${kind === "capture" ? "btn-primary" : ""}`}>
          {kind === "capture" ? "Capture" : "Refund"}
        </button>
      </div>
      <Said problems={problems} />
    </form>
  );
}
