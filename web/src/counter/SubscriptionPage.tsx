import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { answer, api, type Counter, type Problem, problemsOf, type Subscription } from "../api/client";
import { money, plain } from "../shared/money";
import { Said } from "../shared/Said";
import { CardNumber } from "./CardNumber";
import { CounterFrame } from "./CounterFrame";
import { directionOf, SayProvider, useCatalogue, useSay } from "./phrases";
import { CountrySelect } from "./steps/Places";
import { tokenOf } from "./token";

/** What is charged again, for the buyer who holds its link: when next, how much, and every way to change it. */
export function SubscriptionPage() {
  const { token = "" } = useParams();
  const client = useQueryClient();
  const key = ["subscription", token];
  const page = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/counter/subscriptions/{token}", { params: { path: { token } } })),
  });
  const order = page.data?.order.token ?? "";
  const counter = useQuery({
    queryKey: ["counter of", order],
    queryFn: () => answer(api.GET("/api/counter/orders/{token}/counter", { params: { path: { token: order } } })),
    enabled: order !== "",
  });
  const language = counter.data?.language ?? navigator.language;
  useEffect(() => {
    document.documentElement.lang = language;
    document.documentElement.dir = directionOf(language);
  }, [language]);
  const say = useCatalogue(language, counter.data?.phrases);
  if (page.isError) {
    return (
      <main className="p-8">
        <Said problems={problemsOf(page.error)} />
      </main>
    );
  }
  if (!page.data || !counter.data || !say) return null;
  return (
    <SayProvider value={say}>
      <CounterFrame counter={counter.data} bare>
        <Whole
          counter={counter.data}
          subscription={page.data}
          fresh={(after) => client.setQueryData(key, after)}
          language={language}
        />
      </CounterFrame>
    </SayProvider>
  );
}

interface Props {
  subscription: Subscription;
  fresh: (after: Subscription) => void;
  language: string;
}

const dayIn = (language: string) => {
  const format = new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" });
  return (day: string) => format.format(new Date(`${day}T00:00:00Z`));
};

function Whole({ counter, subscription, fresh, language }: Props & { counter: Counter }) {
  const say = useSay();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [stopping, setStopping] = useState(false);
  const { subject, next, each, currency, state } = subscription;
  const day = dayIn(language);
  const path = { params: { path: { token: subscription.token } } };
  const act = (call: Promise<Subscription>) =>
    call.then(
      (after) => {
        fresh(after);
        setProblems([]);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const runs = next != null;
  return (
    <div className="mx-auto max-w-lg">
      <p className="text-xs quiet">{say("subscription")}</p>
      <h1 className="text-2xl">{[subject.product, ...subject.choices].join(", ")}</h1>
      <p className="mb-4">
        {plain(subject.quantity)} {subject.unit} {subject.every}
        {subscription.order.test && (
          <span className="ms-2 border border-dashed border-warning px-1 text-warning">{say("test")}</span>
        )}
      </p>
      {runs && state === "active" ? (
        <p className="text-lg">
          {each
            ? say("nextCharge", { date: day(next), amount: money(each, currency, language) })
            : say("nextDate", { date: day(next) })}
        </p>
      ) : (
        <p className="text-lg font-semibold">{say.known("subscriptions", state)}</p>
      )}
      {subscription.trouble && (
        <p role="status" className="my-3 border-s-4 border-error ps-3">
          {subscription.nextTry
            ? say("chargeTrouble", { reason: subscription.trouble, date: day(subscription.nextTry) })
            : subscription.trouble}
        </p>
      )}
      <Said problems={problems} />
      {subscription.announced && (
        <Announced
          subscription={subscription}
          language={language}
          answerIt={(yes) =>
            act(answer(api.POST("/api/counter/subscriptions/{token}/answer", { ...path, body: { yes } })))
          }
        />
      )}
      {runs && (
        <div className="my-4 flex flex-wrap gap-3">
          <button
            type="button"
            className="btn"
            onClick={() =>
              void act(answer(api.POST("/api/counter/subscriptions/{token}/skip", { ...path, body: { date: next } })))
            }
          >
            {say("leaveDateOut", { date: day(next) })}
          </button>
          {stopping ? (
            <span className="flex flex-wrap items-center gap-3">
              {say("stopSure")}
              <button
                type="button"
                className="btn btn-error"
                onClick={() => {
                  setStopping(false);
                  void act(answer(api.POST("/api/counter/subscriptions/{token}/stop", path)));
                }}
              >
                {say("stopIt")}
              </button>
              <button type="button" className="btn btn-ghost" onClick={() => setStopping(false)}>
                {say("keepIt")}
              </button>
            </span>
          ) : (
            <button type="button" className="btn" onClick={() => setStopping(true)}>
              {say("stopSubscription")}
            </button>
          )}
        </div>
      )}
      {runs && subscription.cards && <AnotherCard subscription={subscription} fresh={fresh} language={language} />}
      {runs && <AnotherAddress counter={counter} subscription={subscription} fresh={fresh} language={language} />}
      {subscription.dates.length > 0 && (
        <section className="ticket mt-6 px-5 py-4" aria-label={say("soFar")}>
          <h2 className="text-base">{say("soFar")}</h2>
          {subscription.dates.map((date) => (
            <p key={date.day} className="flex justify-between gap-4">
              <span>
                {day(date.day)}, {say.known("dates", date.state)}
              </span>
              <span className="figure">
                {date.amount && date.state === "paid" ? money(date.amount, currency, language) : ""}
              </span>
            </p>
          ))}
        </section>
      )}
      <p className="mt-4">
        <Link className="underline" to={`/counter/${counter.shop}/order/${subscription.order.token}`}>
          {say("beganWith", { number: subscription.order.number })}
        </Link>
      </p>
    </div>
  );
}

/** Another price that is to hold, and the buyer's word on it where one is asked for. */
function Announced({
  subscription: { announced, currency },
  language,
  answerIt,
}: {
  subscription: Subscription;
  language: string;
  answerIt: (yes: boolean) => void;
}) {
  const say = useSay();
  if (!announced) return null;
  const amount = money(announced.each, currency, language);
  return (
    <section className="my-4 border-s-4 border-warning ps-3" aria-label={say("anotherPrice")}>
      <p>{say("priceFrom", { date: dayIn(language)(announced.from), amount })}</p>
      {announced.answer != null ? (
        <p className="font-semibold">{announced.answer ? say("youAgreed") : say("youRefused")}</p>
      ) : (
        announced.asked && (
          <p className="mt-2 flex gap-3">
            <button type="button" className="btn btn-primary" onClick={() => answerIt(true)}>
              {say("agreeToPrice")}
            </button>
            <button type="button" className="btn" onClick={() => answerIt(false)}>
              {say("refusePrice")}
            </button>
          </p>
        )
      )}
    </section>
  );
}

/** Another card; its number goes to the processor alone. */
function AnotherCard({ subscription, fresh }: Props) {
  const say = useSay();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const { cards, token } = subscription;
  const keep = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    setBusy(true);
    setProblems([]);
    const number = String(new FormData(form).get("number"));
    const made = await tokenOf(cards?.url ?? "", cards?.publicKey ?? "", number, say);
    if (made.token) {
      const call = { params: { path: { token } }, body: { cardToken: made.token } };
      await answer(api.POST("/api/counter/subscriptions/{token}/card", call)).then(
        (after) => {
          form.reset();
          fresh(after);
        },
        (reason: unknown) => setProblems(problemsOf(reason)),
      );
    } else if (made.problem) {
      setProblems([made.problem]);
    }
    setBusy(false);
  };
  return (
    <details className="border-t border-base-300 py-3" open={subscription.trouble != null || undefined}>
      <summary className="cursor-pointer">{say("anotherCard")}</summary>
      <form className="mt-2" onSubmit={keep}>
        <p className="text-xs quiet">{cards?.kept ? say("cardKept") : say("noCardKept")}</p>
        <div className="mt-2">
          <CardNumber />
        </div>
        <Said problems={problems} />
        <button type="submit" className="btn btn-primary mt-3" disabled={busy}>
          {say("keepCard")}
        </button>
      </form>
    </details>
  );
}

/** Another address, with what each charge comes to there before it is agreed to. */
function AnotherAddress({ counter, subscription, fresh, language }: Props & { counter: Counter }) {
  const say = useSay();
  const [address, setAddress] = useState(subscription.address);
  const [there, setThere] = useState<{ each: string; currency: string }>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const path = { params: { path: { token: subscription.token } } };
  const change = (part: Partial<typeof address>) => {
    setThere(undefined);
    setAddress({ ...address, ...part });
  };
  const price = async (event: FormEvent) => {
    event.preventDefault();
    setProblems([]);
    await answer(api.POST("/api/counter/subscriptions/{token}/address/price", { ...path, body: { address } })).then(
      setThere,
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const agree = async () => {
    if (!there) return;
    const body = { address, expected: there.each };
    await answer(api.POST("/api/counter/subscriptions/{token}/address", { ...path, body })).then(
      (after) => {
        setThere(undefined);
        setProblems([]);
        fresh(after);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const field = (label: string, value: string, set: (value: string) => void, auto: string) => (
    <label className="mt-2 block">
      <span className="block text-xs quiet">{label}</span>
      <input
        className="input w-full text-base"
        value={value}
        maxLength={200}
        autoComplete={auto}
        onChange={(event) => set(event.target.value)}
      />
    </label>
  );
  return (
    <details className="border-t border-base-300 py-3">
      <summary className="cursor-pointer">
        {say("anotherAddress")}{" "}
        <span className="quiet">
          {[...subscription.address.lines, `${subscription.address.postcode} ${subscription.address.city}`.trim()].join(
            ", ",
          )}
        </span>
      </summary>
      <form className="mt-2" onSubmit={price}>
        {field(say("street"), address.lines.join(", "), (line) => change({ lines: [line] }), "street-address")}
        {field(say("postcode"), address.postcode, (postcode) => change({ postcode }), "postal-code")}
        {field(say("town"), address.city, (city) => change({ city }), "address-level2")}
        <CountrySelect
          countries={counter.countries}
          language={language}
          value={address.country}
          autoComplete="country"
          className="mt-2 block"
          onChange={(country) => change({ country })}
        />
        <Said problems={problems} />
        {there ? (
          <p className="mt-3">
            {say("eachThere", { amount: money(there.each, there.currency, language) })}{" "}
            <button type="button" className="btn btn-primary mt-2" onClick={() => void agree()}>
              {say("agreeAndSendThere")}
            </button>
          </p>
        ) : (
          <button type="submit" className="btn mt-3">
            {say("whatItCostsThere")}
          </button>
        )}
      </form>
    </details>
  );
}
