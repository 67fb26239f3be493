import { keepPreviousData, useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";
import { answer, api } from "../api/client";
import { useBench } from "../desk/bench";
import { orderCount, stepCount } from "../shared/counted";
import { money } from "../shared/money";
import { countryName } from "../shared/places";
import { StationHead } from "../shared/StationHead";
import { readIn, say, sayCode } from "../shared/say";
import { waysOf } from "../shared/ways";
import { BankStatement } from "./BankStatement";
import { Several } from "./Several";

/** The columns before the amount. @prop wide not on a phone */
const heads = [
  { name: say("headOrder") },
  { name: say("placed"), wide: true },
  { name: say("headBuyer") },
  { name: say("goesTo"), wide: true },
  { name: say("state") },
];

/** How far an order's money is, as the server names it. */
const standings = [
  "unpaid",
  "waiting",
  "authorised",
  "paid in part",
  "paid",
  "refunded in part",
  "refunded",
  "failed",
  "disputed",
  "dispute lost",
  "cancelled",
];

/** All orders, the newest first, a page at a time. */
export function OrderList() {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const language = readIn(setup.shop.language);
  const [step, setStep] = useState("");
  const [standing, setStanding] = useState("");
  const [mode, setMode] = useState("");
  const [words, setWords] = useState("");
  const [kept, setKept] = useState<Record<string, string>>({});
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const asked = useDeferredValue(words.trim());
  const wanted = {
    ...(step ? { step } : {}),
    ...(standing ? { standing } : {}),
    ...(mode ? { mode } : {}),
    ...(asked ? { words: asked } : {}),
    ...kept,
  };
  const filtered = Object.keys(wanted).length > 0;
  const list = useInfiniteQuery({
    queryKey: ["orders", shop, wanted],
    placeholderData: keepPreviousData,
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/orders", {
          params: { path: { shop }, query: { ...wanted, ...(pageParam ? { below: pageParam } : {}) } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const waiting = useQuery({
    queryKey: ["orders", shop, "steps"],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders", { params: { path: { shop }, query: { steps: true } } })),
  });
  const steps: Record<string, number> = waiting.data?.steps ?? {};
  /** What else is asked for is asked of all orders; what is no longer shown is not chosen. */
  const other = (set: (value: string) => void) => (value: string) => {
    setStep("");
    setChosen([]);
    set(value);
  };
  const keep = (part: string) => (value: string) => {
    setStep("");
    setChosen([]);
    setKept(({ [part]: _, ...rest }) => (value ? { ...rest, [part]: value } : rest));
  };
  const names = waysOf(setup);
  const countries = [...new Set((list.data?.pages ?? []).flatMap((page) => page.orders.map((order) => order.country)))];
  const orders = list.data?.pages.flatMap((page) => page.orders) ?? [];
  const when = new Intl.DateTimeFormat(language, {
    dateStyle: "medium",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  });
  // A slot is a time on the shop's own clock, shown as it is.
  const slot = new Intl.DateTimeFormat(language, {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone: "UTC",
  });
  return (
    <>
      <StationHead title={say("orders")}>
        <span>
          {orderCount(list.data?.pages[0])} {filtered ? say("foundCount") : say("all")}
        </span>
        <a className="underline" href={`/api/shops/${shop}/orders.csv?${new URLSearchParams(wanted)}`} download>
          {say("file")}
        </a>
        <Link className="underline" to={`/desk/${shop}/sales`}>
          {say("whatWasSold")}
        </Link>
        <Link className="underline" to={`/desk/${shop}/subscriptions`}>
          {say("subscriptions")}
        </Link>
        <Link className="underline" to={`/desk/${shop}/unfinished`}>
          {say("unfinishedBaskets")}
        </Link>
        <Link className="underline" to={`/desk/${shop}/payouts`}>
          {say("payouts")}
        </Link>
        <Link className="underline" to={`/desk/${shop}/buyers`}>
          {say("buyers")}
        </Link>
        <a className="underline" href={`/counter/${shop}?desk`}>
          {say("takeAnOrder")}
        </a>
        <BankStatement />
      </StationHead>
      <nav aria-label={say("whatNext")} className="mb-3 flex flex-wrap gap-x-5 gap-y-1 border-b border-base-300 pb-2">
        {["", ...Object.keys(steps)].map((each) => (
          <button
            key={each}
            type="button"
            aria-current={step === each || undefined}
            className={`seg cursor-pointer ${step === each ? "border-b-accent font-semibold" : "hover:underline"}`}
            onClick={() => {
              setStep(each);
              setStanding("");
              setMode("");
              setWords("");
              setKept({});
              setChosen([]);
            }}
          >
            {each ? sayCode("step", each) : say("everyOrder")}{" "}
            {each && <span className="quiet">{stepCount(steps[each] ?? 0)}</span>}
          </button>
        ))}
      </nav>
      <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
        <label className="grow sm:max-w-64">
          <span className="block text-xs quiet">{say("numberOrHowNameOr")}</span>
          <input
            type="search"
            className="inplace w-full"
            value={words}
            onChange={(event) => other(setWords)(event.target.value)}
          />
        </label>
        <Choose family="standing" label={say("state")} value={standing} choose={other(setStanding)} of={standings} />
        <Choose family="mode" label={say("mode")} value={mode} choose={other(setMode)} of={["test", "live"]} />
        <details className="w-full" open={Object.keys(kept).length > 0 || undefined}>
          <summary className="cursor-pointer text-xs underline">{say("bySpanWayPlace")}</summary>
          <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
            <Day label={say("placedFrom")} value={kept.from ?? ""} choose={keep("from")} />
            <Day label={say("placedTo")} value={kept.to ?? ""} choose={keep("to")} />
            <Pick label={say("goesBy")} value={kept.way ?? ""} choose={keep("way")} of={names.ways} />
            <Pick label={say("paidBy")} value={kept.method ?? ""} choose={keep("method")} of={names.methods} />
            <Pick
              label={say("goesTo")}
              value={kept.country ?? ""}
              choose={keep("country")}
              of={(kept.country ? [kept.country] : countries).map((id) => ({ id, name: countryName(id) }))}
            />
          </div>
        </details>
      </div>
      <Several
        chosen={chosen}
        done={(left) => {
          setChosen(left);
          void client.invalidateQueries({ queryKey: ["orders", shop] });
        }}
      />
      {list.isSuccess && filtered && orders.length === 0 && <p className="quiet">{say("noOrderLike")}</p>}
      {list.isSuccess && !filtered && orders.length === 0 && (
        <p className="max-w-xl py-6 quiet">
          {say("noOrderYetOpen")}{" "}
          <a className="underline" href={`/counter/${shop}`}>
            {say("theCounter")}
          </a>{" "}
          {say("putOneThroughAsBuyer")}
        </p>
      )}
      {orders.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-base-content text-start text-xs">
              <th scope="col" className="w-8 py-1 text-start">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  aria-label={say("chooseAllShown")}
                  checked={orders.every((order) => chosen.includes(order.number))}
                  onChange={(event) => setChosen(event.target.checked ? orders.map((order) => order.number) : [])}
                />
              </th>
              {heads.map((head) => (
                <th
                  key={head.name}
                  scope="col"
                  className={`py-1 pe-4 text-start font-semibold ${head.wide ? "max-sm:hidden" : ""}`}
                >
                  {head.name}
                </th>
              ))}
              <th scope="col" className="py-1 text-end font-semibold">
                {say("total")}
              </th>
            </tr>
          </thead>
          <tbody>
            {orders.map((order) => (
              <tr key={order.number} className="border-b border-base-300">
                <td className="py-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    aria-label={say("chooseOrder", { number: String(order.number) })}
                    checked={chosen.includes(order.number)}
                    onChange={(event) =>
                      setChosen(
                        event.target.checked
                          ? [...chosen, order.number]
                          : chosen.filter((number) => number !== order.number),
                      )
                    }
                  />
                </td>
                <td className="py-2 pe-4">
                  <Link className="font-mono underline" to={String(order.number)}>
                    {order.number}
                  </Link>
                  {order.mode === "test" && (
                    <span className="ms-2 border border-dashed border-warning px-1 text-xs text-warning max-sm:ms-0 max-sm:block max-sm:w-fit">
                      {say("practice")}
                    </span>
                  )}
                </td>
                <td className="pe-4 max-sm:hidden">{when.format(new Date(order.placedAt))}</td>
                <td className="pe-4">{order.name}</td>
                <td className="pe-4 max-sm:hidden">
                  {countryName(order.country)}
                  {order.way && (
                    <span className="block text-xs quiet">
                      {names.ways.find((each) => each.id === order.way)?.name ?? order.way}
                      {order.slot && `, ${slot.format(new Date(`${order.slot.slice(0, 16)}:00Z`))}`}
                    </span>
                  )}
                </td>
                <td className="pe-4">
                  {order.cancelled ? say("calledOff") : sayCode("standing", order.state)}
                  {order.withdrawn && (
                    <span className="ms-2 border border-warning px-1 text-xs">{say("withdrawn")}</span>
                  )}
                  {(order.sent === "all" || order.sent === "in part") && (
                    <span className="quiet">, {order.sent === "all" ? say("hasBeenSent") : say("sentPart")}</span>
                  )}
                </td>
                <td className="figure">{money(order.payable, order.currency, language)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {list.hasNextPage && (
        <button
          type="button"
          className="btn btn-sm mt-4"
          onClick={() => void list.fetchNextPage()}
          disabled={list.isFetchingNextPage}
        >
          {say("olderOrders")}
        </button>
      )}
    </>
  );
}

interface PickProps {
  label: string;
  value: string;
  choose: (value: string) => void;
  of: { id: string; name: string }[];
}

function Pick({ label, value, choose, of }: PickProps) {
  return (
    <label>
      <span className="block text-xs quiet">{label}</span>
      <select className="inplace" value={value} onChange={(event) => choose(event.target.value)}>
        <option value="">{say("any")}</option>
        {of.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
    </label>
  );
}

function Day({ label, value, choose }: Omit<PickProps, "of">) {
  return (
    <label>
      <span className="block text-xs quiet">{label}</span>
      <input type="date" className="inplace" value={value} onChange={(event) => choose(event.target.value)} />
    </label>
  );
}

interface ChooseProps {
  /** How the catalogue names what can be chosen. */
  family: string;
  label: string;
  value: string;
  choose: (value: string) => void;
  of: string[];
}

function Choose({ family, label, value, choose, of }: ChooseProps) {
  return (
    <label>
      <span className="block text-xs quiet">{label}</span>
      <select className="inplace" value={value} onChange={(event) => choose(event.target.value)}>
        <option value="">{say("any")}</option>
        {of.map((each) => (
          <option key={each} value={each}>
            {sayCode(family, each)}
          </option>
        ))}
      </select>
    </label>
  );
}
