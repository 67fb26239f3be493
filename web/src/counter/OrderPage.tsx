import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useParams } from "react-router";
import { answer, api, type Counter, type Placed, type Problem, problemsOf } from "../api/client";
import { money, plain } from "../shared/money";
import { Papers } from "../shared/Papers";
import { Said } from "../shared/Said";
import { forget } from "./basket";
import { CardForm } from "./CardForm";
import { CounterFrame } from "./CounterFrame";
import { Summary } from "./Summary";
import { TransferSlip } from "./TransferSlip";

const paid = ["authorised", "captured", "refunded", "disputed"];
/** Ways whose payment waits for money that comes by itself: the order stands, nothing more is asked here. */
const awaited = ["transfer", "cash-on-delivery", "cash-at-pickup", "cheque", "on-account"];
const open = ["pending", "created"];

const stands = (order: Placed): boolean =>
  paid.includes(order.state) || (awaited.includes(order.kind ?? "") && order.state !== "unpaid");

/** An order that stands: to be paid, being paid, or paid with its receipt. */
export function OrderPage() {
  const { shop = "", token = "" } = useParams();
  const client = useQueryClient();
  const counter = useQuery({
    queryKey: ["counter", shop],
    queryFn: () => answer(api.GET("/api/counter/{shop}", { params: { path: { shop } } })),
  });
  const key = ["placed", token];
  const order = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/counter/orders/{token}", { params: { path: { token } } })),
    refetchInterval: ({ state: { data } }) =>
      data && open.includes(data.state) && !awaited.includes(data.kind ?? "") ? 3000 : false,
  });
  const stood = order.data ? stands(order.data) : false;
  useEffect(() => {
    if (stood) forget(shop);
  }, [stood, shop]);
  if (order.isError) {
    return (
      <main className="p-8">
        <Said problems={problemsOf(order.error)} />
      </main>
    );
  }
  if (!order.data || !counter.data) return null;
  const fresh = (placed: Placed) => client.setQueryData(key, placed);
  const settled = stands(order.data);
  return (
    <CounterFrame
      counter={counter.data}
      step={settled ? undefined : "Pay"}
      summary={settled ? undefined : <Summary counter={counter.data} quote={order.data.quote} />}
    >
      {settled ? <Receipt counter={counter.data} order={order.data} /> : <Paying order={order.data} fresh={fresh} />}
    </CounterFrame>
  );
}

function Paying({ order, fresh }: { order: Placed; fresh: (order: Placed) => void }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="mb-1 text-2xl outline-none">
        Order {order.number}, to be paid
      </h1>
      {order.state === "declined" || order.state === "failed" ? (
        <div role="alert" className="my-3 border-s-4 border-error ps-3">
          <p className="font-semibold text-error">Nothing was charged: {order.reason}.</p>
          <p>The order is kept. Try again{order.kind === "card" && ", or use another card"}.</p>
        </div>
      ) : null}
      {open.includes(order.state) ? (
        <p role="status" className="my-3">
          The bank has not answered yet. This page asks again every few seconds; nothing is charged twice, and it can be
          closed and opened again.
        </p>
      ) : order.state === "needs-buyer" && order.action ? (
        <p className="my-3">
          {order.kind === "wallet" ? "Your wallet waits for your approval." : "Your bank wants to ask you first."}{" "}
          <a className="btn btn-primary btn-lg mt-3 w-full" href={order.action}>
            {order.kind === "wallet" ? "Go to the wallet" : "Answer the bank"}
          </a>
        </p>
      ) : order.kind === "wallet" ? (
        <WalletButton order={order} fresh={fresh} />
      ) : (
        <CardForm order={order} fresh={fresh} />
      )}
    </>
  );
}

/** What the last row of the receipt says of the money. */
function paidHow({ kind, state, standing }: Placed): string {
  if (state === "captured" || state === "refunded") return kind === "card" ? "Paid by card" : "Paid";
  switch (kind) {
    case "transfer":
      return standing === "paid in part" ? "To transfer, part has come" : "To transfer";
    case "cash-on-delivery":
      return "To pay at the door";
    case "cash-at-pickup":
      return "To pay when you collect";
    case "cheque":
      return "To pay by cheque";
    case "on-account":
      return "On account";
    case "card":
      return "Paid by card";
    default:
      return "Paid";
  }
}

/** Sends the buyer to the wallet. */
function WalletButton({ order, fresh }: { order: Placed; fresh: (order: Placed) => void }) {
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const go = async () => {
    setBusy(true);
    const call = { params: { path: { token: order.token } }, body: { cardToken: "" } };
    await answer(api.POST("/api/counter/orders/{token}/payments", call)).then(
      (after) => {
        fresh(after);
        if (after.action) window.location.assign(after.action);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <>
      <p className="my-3">You approve the payment in your wallet and come back here.</p>
      <Said problems={problems} />
      <button type="button" className="btn btn-primary btn-lg w-full" disabled={busy} onClick={() => void go()}>
        {busy ? "Asking the wallet …" : "Go to the wallet"}
      </button>
    </>
  );
}

function Receipt({ counter, order }: { counter: Counter; order: Placed }) {
  const { quote } = order;
  const amount = (value: string) => money(value, quote.currency, counter.language);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const delivery = quote.delivery.find((option) => option.chosen);
  return (
    <div className="mx-auto max-w-lg">
      <h1 ref={heading} tabIndex={-1} className="text-2xl outline-none">
        Done. Thank you, {order.name}.
      </h1>
      <p className="mb-4">
        Order {order.number}. Questions go to the shop with this number.
        {order.test && (
          <span className="ms-2 border border-dashed border-warning px-1 text-warning">test, no money moved</span>
        )}
      </p>
      {order.slip && <TransferSlip slip={order.slip} language={counter.language} />}
      <section className="ticket px-5 py-4" aria-label="Receipt">
        {quote.lines.map((line) => (
          <Row
            key={`${line.product} ${line.choices.join()}`}
            name={`${plain(line.quantity)} ${[line.name, ...line.choices].join(", ")}`}
            value={amount(line.amount)}
          />
        ))}
        {quote.discounts.map((discount) => (
          <Row key={discount.name} name={discount.name} value={`−${amount(discount.amount)}`} />
        ))}
        {delivery && <Row name={delivery.name} value={amount(delivery.price)} />}
        {quote.fee && <Row name="For this way of paying" value={amount(quote.fee)} />}
        {quote.prices === "without-tax" &&
          quote.taxes.map((levy) => (
            <Row
              key={levy.name + levy.percent + levy.tax}
              name={`${levy.name} ${plain(levy.percent)} %`}
              value={amount(levy.tax)}
            />
          ))}
        {quote.vouchers.map((voucher) => (
          <Row key={voucher.code} name={`Voucher ${voucher.code}`} value={`−${amount(voucher.used)}`} />
        ))}
        {quote.rounding && <Row name="Rounded, in cash" value={amount(quote.rounding)} />}
        <div className="my-2 flex items-baseline justify-between border-y-2 border-base-content py-2">
          <span className="font-head text-lg font-bold">{paidHow(order)}</span>
          <span className="figure text-2xl font-bold" data-total={quote.payable}>
            {amount(quote.toPay)}
          </span>
        </div>
        {quote.prices === "with-tax" &&
          quote.taxes.map((levy) => (
            <Row
              key={levy.name + levy.percent + levy.tax}
              name={`${levy.name} inside, ${plain(levy.percent)} %`}
              value={amount(levy.tax)}
              quiet
            />
          ))}
      </section>
      <div className="mt-4">
        <Papers
          at={{ token: order.token }}
          currency={quote.currency}
          language={counter.language}
          fresh={order.standing}
        />
      </div>
    </div>
  );
}

function Row({ name, value, quiet = false }: { name: string; value: string; quiet?: boolean }) {
  return (
    <div className={`flex justify-between gap-4 py-0.5 ${quiet ? "text-sm quiet" : ""}`}>
      <span>{name}</span>
      <span className="figure">{value}</span>
    </div>
  );
}
