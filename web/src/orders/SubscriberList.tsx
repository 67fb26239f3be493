import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { StationHead } from "../shared/StationHead";
import { readIn, say, sayCode } from "../shared/say";

/** Who is charged again, when next, how much, and what the days ahead bring. */
export function SubscriberList() {
  const { shop, setup } = useBench();
  const language = readIn(setup.shop.language);
  const [state, setState] = useState("");
  const [before, setBefore] = useState<number[]>([]);
  const page = before.at(-1);
  const list = useQuery({
    queryKey: ["subscriptions", shop, state, page],
    queryFn: () =>
      answer(
        api.GET("/api/shops/{shop}/subscriptions", {
          params: { path: { shop }, query: { ...(state ? { state } : {}), ...(page ? { before: page } : {}) } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const day = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: "UTC" });
  const counts = list.data?.counts ?? {};
  const rows = list.data?.rows ?? [];
  const last = rows.at(-1);
  return (
    <>
      <StationHead title={say("subscriptions")}>
        {Object.entries(list.data?.ahead ?? {}).map(([currency, sum]) => (
          <span key={currency}>{say("nextThirtyDays", { sum: money(sum, currency, language) })}</span>
        ))}
        <Link className="underline" to={`/desk/${shop}/orders`}>
          {say("allOrders")}
        </Link>
      </StationHead>
      <nav aria-label={say("state")} className="mb-3 flex flex-wrap gap-x-5 gap-y-1 border-b border-base-300 pb-2">
        {["", ...Object.keys(counts)].map((each) => (
          <button
            key={each}
            type="button"
            aria-current={state === each || undefined}
            className={`seg cursor-pointer ${state === each ? "border-b-accent font-semibold" : "hover:underline"}`}
            onClick={() => {
              setState(each);
              setBefore([]);
            }}
          >
            {each ? sayCode("subscribed", each) : say("everySubscription")}{" "}
            {each && <span className="quiet">{counts[each]}</span>}
          </button>
        ))}
      </nav>
      {list.isSuccess && rows.length === 0 && <p className="max-w-xl py-6 quiet">{say("noSubscriptionYet")}</p>}
      {rows.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-base-content text-start text-xs">
              {[say("headBuyer"), say("whatIsSubscribed"), say("state"), say("nextDateHead")].map((head) => (
                <th key={head} scope="col" className="py-1 pe-4 text-start font-semibold">
                  {head}
                </th>
              ))}
              <th scope="col" className="py-1 text-end font-semibold">
                {say("eachTime")}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id} className="border-b border-base-300">
                <td className="py-2 pe-4">
                  <Link className="underline" to={`/desk/${shop}/subscriptions/${row.id}`}>
                    {row.name}
                  </Link>
                </td>
                <td className="py-2 pe-4">{row.product}</td>
                <td className="py-2 pe-4">
                  {sayCode("subscribed", row.state)}
                  {row.trouble && <span className="block text-xs text-error">{row.trouble}</span>}
                </td>
                <td className="py-2 pe-4">{row.next ? day.format(new Date(`${row.next}T00:00:00Z`)) : ""}</td>
                <td className="figure py-2 text-end">{row.each ? money(row.each, row.currency, language) : ""}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-3 flex gap-4">
        {before.length > 0 && (
          <button type="button" className="btn btn-sm" onClick={() => setBefore(before.slice(0, -1))}>
            {say("newer")}
          </button>
        )}
        {last && rows.length === 50 && (
          <button type="button" className="btn btn-sm" onClick={() => setBefore([...before, last.id])}>
            {say("older")}
          </button>
        )}
      </p>
    </>
  );
}
