import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Navigate, useNavigate, useParams, useSearchParams } from "react-router";
import {
  ApiProblem,
  answer,
  api,
  type BuyerQuote,
  type Counter,
  type Destination,
  type Problem,
  problemsOf,
} from "../api/client";
import { type Kept, keptOf, type ParcelShop, placeOf, sameLine, useBasket } from "./basket";
import { Closed } from "./Closed";
import { CounterFrame } from "./CounterFrame";
import { beginForBuyer, endForBuyer, forBuyer } from "./forBuyer";
import { NeverRemind } from "./NeverRemind";
import { leaveToPay, listed, pageBefore, stepBegins } from "./otherSite";
import { directionOf, SayProvider, useCatalogue } from "./phrases";
import { chosen, Speaking, type Spoken } from "./Speaking";
import { Summary } from "./Summary";
import type { Step } from "./step";
import { BasketStep } from "./steps/BasketStep";
import { asksMore, wishesOf } from "./steps/Besides";
import { HowStep } from "./steps/HowStep";
import { PayStep } from "./steps/PayStep";
import { WhereStep } from "./steps/WhereStep";
import { useGoods } from "./useGoods";
import { useTaken } from "./useTaken";
import { useWallet } from "./useWallet";

/** The buyer's side of a shop: basket, where, how, pay, the total always in sight. */
export function CounterPage() {
  const { shop = "" } = useParams();
  const never = useSearchParams()[0].get("never");
  const [spoken, setSpoken] = useState(() => chosen(shop));
  const counter = useQuery({
    queryKey: ["counter", shop, spoken],
    queryFn: () => {
      const kept = keptOf(shop);
      const email = forBuyer(shop) ? kept.email : "";
      const named = [...new Set((kept.lines ?? []).map((line) => line.product))];
      const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
      const query = {
        ...spoken,
        timeZone,
        ...(email ? { forBuyer: email } : {}),
        ...(named.length > 0 ? { with: named } : {}),
      };
      return answer(api.GET("/api/counter/{shop}", { params: { path: { shop }, query } }));
    },
    placeholderData: keepPreviousData,
  });
  const language = counter.data?.language ?? navigator.language;
  useEffect(() => {
    document.documentElement.lang = language;
    document.documentElement.dir = directionOf(language);
  }, [language]);
  const say = useCatalogue(language, counter.data?.phrases);
  const { ordered } = keptOf(shop);
  if (ordered) return <Navigate to={`/counter/${shop}/order/${ordered}`} replace />;
  if (!say) return null;
  return (
    <SayProvider value={say}>
      {never ? (
        <NeverRemind shop={shop} token={never} />
      ) : counter.isError ? (
        <Closed shop={shop} reason={counter.error} />
      ) : (
        counter.data && <Checkout counter={counter.data} speak={setSpoken} again={() => void counter.refetch()} />
      )}
    </SayProvider>
  );
}

/** What goes to a parcel shop is priced by where that is. */
const goingTo = (to: Destination | undefined, parcelShop: ParcelShop | undefined) =>
  to && { to: { ...to, ...(to.postcode && parcelShop ? { postcode: parcelShop.postcode } : {}) } };

const basketOf = (kept: Kept, counter: Counter) => ({
  lines: kept.lines,
  ...goingTo(placeOf(kept, counter), kept.parcelShop),
  ...(kept.delivery ? { delivery: kept.delivery } : {}),
  deliveries: kept.delivery ? {} : (kept.deliveries ?? {}),
  ...(kept.slot ? { slot: kept.slot } : {}),
  ...(kept.method ? { method: kept.method } : {}),
  codes: kept.codes,
  currency: counter.currency,
});

const buyerOf = (kept: Kept, counter: Counter) => ({
  language: counter.language,
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  ...(kept.business ? { business: true, taxNumber: kept.taxNumber } : {}),
});

/** Pays an order from a wallet that approved of it at the basket; gives where it asks again, if it does. */
const approved = (token: string, wallet: string): Promise<string | undefined> =>
  answer(
    api.POST("/api/counter/orders/{token}/payments", { params: { path: { token } }, body: { cardToken: "", wallet } }),
  ).then(
    ({ action }) => action ?? undefined,
    // The order stands; its page says what came of the payment and offers it again.
    () => undefined,
  );

interface CheckoutProps {
  counter: Counter;
  /** Shows the counter in another language or currency. */
  speak: (spoken: Spoken) => void;
  /** Asks for the counter again, because something of it has changed. */
  again: () => void;
}

function Checkout({ counter: fresh, speak, again }: CheckoutProps) {
  const navigate = useNavigate();
  useState(() => (fresh.ownShop ? beginForBuyer(fresh.shop) : endForBuyer()));
  const { kept, keep } = useBasket(fresh.shop, fresh.assumed?.country ?? fresh.home);
  // The page that led here is what the address says at first.
  const [search] = useSearchParams();
  const [site] = useState(() => listed(pageBefore(search), fresh.sites));
  useEffect(() => {
    if (site && site !== kept.site) keep({ site });
  }, [site, kept.site, keep]);
  const { goods, known: counter } = useGoods(fresh, kept.email);
  // Goods that a link has put in may be none of the list; they are asked for once.
  const asked = useRef("");
  const unknown = kept.lines
    .map((line) => line.product)
    .filter((id) => !counter.goods.products.some((each) => each.id === id))
    .join(" ");
  useEffect(() => {
    if (!unknown || asked.current === unknown) return;
    asked.current = unknown;
    again();
  }, [unknown, again]);
  const [step, setStep] = useState<Step>("Basket");
  const [problems, setProblems] = useState<Problem[]>([]);
  const [changed, setChanged] = useState<BuyerQuote>();
  const heading = useRef<HTMLHeadingElement>(null);
  const taken = useTaken(counter.shop, (lines, codes) =>
    change({
      lines: [...kept.lines, ...lines.filter((line) => !kept.lines.some((each) => sameLine(each, line)))],
      codes: [...new Set([...kept.codes, ...codes])],
    }),
  );
  const body = {
    basket: basketOf(kept, counter),
    buyer: buyerOf(kept, counter),
    ...(forBuyer(counter.shop) && kept.email ? { forBuyer: kept.email } : {}),
  };
  const priced = useQuery({
    queryKey: ["quote", counter.shop, body],
    queryFn: () => answer(api.POST("/api/counter/{shop}/quote", { params: { path: { shop: counter.shop } }, body })),
    enabled: kept.lines.length > 0,
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });
  // What it would cost without the codes, where they change what delivery costs.
  const plainBody = { ...body, basket: { ...body.basket, codes: [] } };
  const plain = useQuery({
    queryKey: ["quote", counter.shop, plainBody],
    queryFn: () =>
      answer(api.POST("/api/counter/{shop}/quote", { params: { path: { shop: counter.shop } }, body: plainBody })),
    enabled: kept.lines.length > 0 && kept.codes.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const last = useRef<BuyerQuote>(undefined);
  if (priced.data) last.current = priced.data;
  const quote = kept.lines.length > 0 ? (changed ?? priced.data ?? last.current) : undefined;

  // A choice made for another place or basket is let go as soon as it is no longer offered.
  useEffect(() => {
    const fresh = changed ?? (priced.isPlaceholderData ? undefined : priced.data);
    if (!fresh) return;
    const { delivery, methods } = fresh;
    if (kept.delivery && !delivery.some((option) => option.id === kept.delivery)) keep({ delivery: undefined });
    const apart = Object.entries(kept.deliveries ?? {});
    const gone = apart.some(
      ([place, id]) =>
        !fresh.apart.some((sent) => sent.dispatch === place && sent.delivery.some((option) => option.id === id)),
    );
    if (gone) keep({ deliveries: {} });
    const slots = delivery.find((option) => option.chosen)?.slots ?? [];
    if (kept.slot && !slots.some((slot) => slot.start === kept.slot)) keep({ slot: undefined });
    if (kept.method && !methods.some((method) => method.id === kept.method)) keep({ method: undefined });
  }, [changed, priced.isPlaceholderData, priced.data, kept.delivery, kept.deliveries, kept.slot, kept.method, keep]);

  const go = (to: Step) => {
    setProblems([]);
    setStep(to);
    if (to !== "Basket" && !kept.placed) keep({ placed: true });
    window.scrollTo({ top: 0 });
    stepBegins();
    setTimeout(() => heading.current?.focus());
  };
  const change = (part: Partial<Kept>) => {
    setChanged(undefined);
    setProblems([]);
    // A changed basket is another order: sending it again must not give back the first.
    keep({ ...part, key: crypto.randomUUID() });
  };

  // With what a wallet told only how it is sent, and the last press, are left.
  const wallet = useWallet(counter, kept, keep, (told, sends) => {
    change(told);
    go(sends && !asksMore(kept, counter) ? "Pay" : "Where");
  });

  /** What is put together is kept for the shop to see, and for a reminder where that was agreed to. */
  const leaving = () => {
    if (forBuyer(counter.shop)) return;
    const agreed = kept.remind && kept.email !== "";
    const body = {
      visit: kept.visit,
      ...(kept.email ? { email: kept.email } : {}),
      agreed,
      // Nothing is kept that a reminder has no need of.
      left: { name: agreed ? kept.name : "", basket: { lines: kept.lines, codes: kept.codes, deliveries: {} } },
      language: counter.language,
    };
    // To be reminded is a kindness; buying goes on without it.
    void api.POST("/api/counter/{shop}/unfinished", { params: { path: { shop: counter.shop } }, body }).catch(() => {});
  };

  const order = async (): Promise<void> => {
    if (!quote) return;
    const body = {
      key: kept.key,
      basket: basketOf(kept, counter),
      buyer: buyerOf(kept, counter),
      contact: {
        name: kept.name,
        email: kept.email,
        lines: kept.street ? [kept.street] : [],
        city: kept.city,
        wishes: wishesOf(kept, counter, quote),
      },
      expected: quote.toPay,
      ...(forBuyer(counter.shop) ? { forBuyer: true } : { visit: kept.visit }),
      agreed: {
        ...Object.fromEntries(counter.texts.filter((text) => text.agreed).map((text) => [text.kind, text.hash])),
        ...(kept.age ? { age: String(kept.age) } : {}),
        ...(quote.atOnce && kept.atOnce === quote.atOnce.hash ? { "supply-at-once": kept.atOnce } : {}),
        ...Object.fromEntries(quote.renewing.map((each) => [each.kind, each.hash])),
      },
    };
    await answer(api.POST("/api/counter/{shop}/orders", { params: { path: { shop: counter.shop } }, body })).then(
      async (placed) => {
        const action = kept.wallet && placed.kind === "wallet" ? await approved(placed.token, kept.wallet) : undefined;
        if (action) leaveToPay(counter.shop, placed.token, action);
        else void navigate(`/counter/${counter.shop}/order/${placed.token}`);
      },
      (reason: unknown) => {
        setProblems(problemsOf(reason));
        const now = reason instanceof ApiProblem ? (reason.more.quote as BuyerQuote | undefined) : undefined;
        if (now) setChanged(now);
        again();
      },
    );
  };

  const wrong = priced.isError ? problemsOf(priced.error) : [];
  const shared = {
    counter,
    kept,
    change,
    quote,
    heading,
    problems: [...problems, ...taken, ...wallet.problems, ...(step === "Pay" || step === "How" ? wrong : [])],
  };
  return (
    <CounterFrame
      counter={counter}
      step={step}
      go={go}
      aside={
        <Speaking
          counter={counter}
          speak={(spoken) => {
            change(spoken);
            speak({ language: kept.language, currency: kept.currency, ...spoken });
          }}
        />
      }
      summary={quote && <Summary counter={counter} quote={quote} stale={priced.isError} />}
    >
      {step === "Basket" && (
        <BasketStep
          {...shared}
          goods={goods}
          withoutCodes={kept.codes.length > 0 ? plain.data : undefined}
          wrong={wrong}
          wallet={forBuyer(counter.shop) ? undefined : wallet.ask}
          next={() => {
            leaving();
            go("Where");
          }}
        />
      )}
      {step === "Where" && (
        <WhereStep
          {...shared}
          wrong={wrong}
          next={() => {
            leaving();
            go(quote && !quote.needsDelivery ? "Pay" : "How");
          }}
        />
      )}
      {step === "How" && <HowStep {...shared} next={() => go("Pay")} />}
      {step === "Pay" && <PayStep {...shared} order={order} where={() => go("Where")} />}
    </CounterFrame>
  );
}
