import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { answer, api, type PlacedOrder, type Problem, problemsOf } from "../api/client";
import { money } from "../shared/money";
import { Papers } from "../shared/Papers";
import { Said } from "../shared/Said";
import { TextButton } from "../shared/TextButton";
import { forget, rekeep } from "./basket";
import { CallOff } from "./CallOff";
import { CardForm } from "./CardForm";
import { CounterFrame } from "./CounterFrame";
import { inPlace, leaveToPay, stepBegins } from "./otherSite";
import { directionOf, SayProvider, useCatalogue, useSay } from "./phrases";
import { paperNames, Receipt } from "./Receipt";
import { Summary } from "./Summary";

const paid = ["authorised", "captured", "refunded", "disputed"];
/** Ways whose payment waits for money that comes by itself: the order stands, nothing more is asked here. */
const awaited = ["transfer", "cash-on-delivery", "cash-at-pickup", "cheque", "on-account"];
const open = ["pending", "created"];
/** How often a page is read while something may still follow. */
const MOMENTS = 5;

const stands = (order: PlacedOrder): boolean =>
  paid.includes(order.state) || (awaited.includes(order.kind ?? "") && order.state !== "unpaid");

/** An order that stands: to be paid, being paid, or paid with its receipt. */
export function OrderPage() {
  const { shop = "", token = "" } = useParams();
  const client = useQueryClient();
  const counter = useQuery({
    queryKey: ["counter of", token],
    queryFn: () => answer(api.GET("/api/counter/orders/{token}/counter", { params: { path: { token } } })),
  });
  const key = ["placed", token];
  const order = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/counter/orders/{token}", { params: { path: { token } } })),
    // While a bank is silent; and a few times in any case, as files and vouchers follow the money a moment later.
    refetchInterval: ({ state: { data, dataUpdateCount } }) =>
      data && open.includes(data.state) && !awaited.includes(data.kind ?? "")
        ? 3000
        : dataUpdateCount < MOMENTS
          ? 1500
          : false,
  });
  useEffect(() => {
    if (!order.data) return;
    document.documentElement.lang = order.data.language;
    document.documentElement.dir = directionOf(order.data.language);
  }, [order.data]);
  const stood = order.data ? stands(order.data) : false;
  useEffect(() => {
    window.scrollTo({ top: 0 });
    stepBegins();
  }, []);
  const said = useCatalogue(order.data?.language ?? "en", counter.data?.phrases);
  useEffect(() => {
    if (stood) forget(shop);
    else if (order.data?.cancelled) rekeep(shop, { ordered: "" });
  }, [stood, shop, order.data?.cancelled]);
  if (order.isError) {
    return (
      <main className="p-8">
        <Said problems={problemsOf(order.error)} />
      </main>
    );
  }
  if (!order.data || !counter.data || !said) return null;
  const fresh = (placed: PlacedOrder) => client.setQueryData(key, placed);
  const settled = stands(order.data);
  if (order.data.cancelled) {
    return (
      <CounterFrame counter={counter.data}>
        <h1 className="text-2xl">{said(order.data.lapsed ? "lapsed" : "calledOff", { number: order.data.number })}</h1>
        <p className="mt-2">
          {said(order.data.lapsed ? "lapsedNote" : order.data.byBuyer ? "youCalledOff" : "calledOffNote")}
        </p>
        {order.data.surplus && (
          <p className="mt-2">
            {said("cameTooMuch", {
              amount: money(order.data.surplus, order.data.quote.currency, counter.data.language),
            })}
          </p>
        )}
        <Papers
          at={{ token: order.data.token }}
          currency={order.data.quote.currency}
          language={counter.data.language}
          fresh={order.data.standing}
          names={paperNames(said)}
        />
      </CounterFrame>
    );
  }
  return (
    <SayProvider value={said}>
      <CounterFrame
        counter={counter.data}
        number={order.data.number}
        step={settled ? undefined : "Pay"}
        summary={settled ? undefined : <Summary counter={counter.data} quote={order.data.quote} />}
      >
        {settled ? (
          <Receipt counter={counter.data} order={order.data} fresh={fresh} />
        ) : (
          <>
            <Paying order={order.data} fresh={fresh} />
            <CallOff order={order.data} language={counter.data.language} fresh={fresh} />
            {inPlace && <ToBasket />}
          </>
        )}
      </CounterFrame>
    </SayProvider>
  );
}

/** Where a page has no way back of its own: from an order that is not paid to what was put together. */
function ToBasket() {
  const say = useSay();
  const navigate = useNavigate();
  const { shop = "" } = useParams();
  return (
    <p className="mt-4">
      <TextButton
        onClick={() => {
          rekeep(shop, { ordered: "" });
          void navigate(`/counter/${shop}`);
        }}
      >
        {say("backToBasket")}
      </TextButton>
    </p>
  );
}

function Paying({ order, fresh }: { order: PlacedOrder; fresh: (order: PlacedOrder) => void }) {
  const say = useSay();
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="mb-1 text-2xl outline-none">
        {say("toBePaid", { number: order.number })}
      </h1>
      {order.state === "declined" || order.state === "failed" ? (
        <div role="alert" className="my-3 border-s-4 border-error ps-3">
          <p className="font-semibold text-error">{say("nothingCharged", { reason: order.reason })}</p>
          <p>{order.kind === "card" ? say("orderKeptCard") : say("orderKept")}</p>
        </div>
      ) : null}
      {open.includes(order.state) ? (
        <p role="status" className="my-3">
          {say("bankSilent")}
        </p>
      ) : order.state === "needs-buyer" && order.action ? (
        <p className="my-3">
          {order.kind === "wallet" ? say("walletWaits") : say("bankAsks")}{" "}
          <a className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-3 w-full" href={order.action}>
            {order.kind === "wallet" ? say("toWallet") : say("answerBank")}
          </a>
        </p>
      ) : order.kind === "wallet" ? (
        <WalletButton order={order} fresh={fresh} />
      ) : (
        <CardForm order={order} fresh={fresh} />
      )}
      {!open.includes(order.state) && <OtherWays order={order} fresh={fresh} />}
    </>
  );
}

/** Every other way this order can be paid, with what it comes to that way. */
function OtherWays({ order, fresh }: { order: PlacedOrder; fresh: (order: PlacedOrder) => void }) {
  const say = useSay();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const others = order.quote.methods.filter((method) => method.id !== order.method);
  if (others.length === 0 || order.state === "needs-buyer") return null;
  const choose = async (method: string, expected: string) => {
    setBusy(true);
    const call = { params: { path: { token: order.token } }, body: { method, expected } };
    await answer(api.POST("/api/counter/orders/{token}/method", call)).then(fresh, (reason: unknown) =>
      setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <section className="mt-8 border-t border-base-300 pt-3" aria-label={say("payAnotherWay")}>
      <h2 className="mb-1 text-base">{say("payAnotherWay")}</h2>
      <Said problems={problems} />
      {others.map((method) => (
        <button
          key={method.id}
          type="button"
          className="flex w-full cursor-pointer justify-between gap-4 border-b border-base-300 py-3 text-start"
          disabled={busy}
          onClick={() => void choose(method.id, method.toPay)}
        >
          <span>
            {method.title}
            <span className="block text-xs quiet">{method.sentence}</span>
          </span>
          <span className="figure">{money(method.toPay, order.quote.currency, order.language)}</span>
        </button>
      ))}
    </section>
  );
}

/** Sends the buyer to the wallet. */
function WalletButton({ order, fresh }: { order: PlacedOrder; fresh: (order: PlacedOrder) => void }) {
  const say = useSay();
  const { shop = "" } = useParams();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const go = async () => {
    setBusy(true);
    const call = { params: { path: { token: order.token } }, body: { cardToken: "" } };
    await answer(api.POST("/api/counter/orders/{token}/payments", call)).then(
      (after) => {
        fresh(after);
        if (after.action) leaveToPay(shop, order.token, after.action);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <>
      <p className="my-3">{say("approveThere")}</p>
      <Said problems={problems} />
      <button
        type="button"
        className="btn btn-primary btn-lg h-auto min-h-12 py-2 w-full"
        disabled={busy}
        onClick={() => void go()}
      >
        {busy ? say("askingWallet") : say("toWallet")}
      </button>
    </>
  );
}
