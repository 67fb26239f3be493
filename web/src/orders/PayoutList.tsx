import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { Fragment, useState } from "react";
import { Link } from "react-router";
import { answer, api, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** What providers have paid out to the shop's bank: of which orders, and what they kept. */
export function PayoutList() {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const [open, setOpen] = useState<number>();
  const key = ["payouts", shop];
  const list = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/payouts", {
          params: { path: { shop }, query: pageParam ? { below: pageParam } : {} },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const ask = useMutation({
    mutationFn: () => answer(api.POST("/api/shops/{shop}/payouts/ask", { params: { path: { shop } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: key }),
  });
  const language = readIn(setup.shop.language);
  const day = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: setup.shop.timeZone });
  const payouts = list.data?.pages.flatMap((page) => page.payouts) ?? [];
  const onTheWay = list.data?.pages[0]?.onTheWay ?? [];
  return (
    <>
      <StationHead title={say("payouts")}>
        <span>{say("payoutsNote")}</span>
        <a className="underline" href={`/api/shops/${shop}/payouts.csv`} download>
          {say("file")}
        </a>
        <Link className="underline" to={`/desk/${shop}/orders`}>
          {say("allOrders")}
        </Link>
      </StationHead>
      <p className="mb-4 flex flex-wrap items-baseline gap-x-6">
        {onTheWay.length > 0 && (
          <span>
            {say("notPaidOutYet")}{" "}
            <strong className="figure">
              {onTheWay.map((each) => money(each.amount, each.currency, language)).join(", ")}
            </strong>
          </span>
        )}
        <button type="button" className="btn btn-sm" disabled={ask.isPending} onClick={() => ask.mutate()}>
          {say("askProviders")}
        </button>
      </p>
      {ask.isError && <Said problems={problemsOf(ask.error)} />}
      {list.isError && <Said problems={problemsOf(list.error)} />}
      {list.data && payouts.length === 0 && <p className="quiet">{say("nothingPaidOutYet")}</p>}
      {payouts.length > 0 && (
        <table className="w-full max-w-5xl">
          <thead>
            <tr className="border-b border-base-content text-xs">
              <th scope="col" className="py-1 text-start font-normal quiet">
                {say("paidOutOn")}
              </th>
              <th scope="col" className="text-start font-normal quiet">
                {say("paidOutBy")}
              </th>
              <th scope="col" className="text-end font-normal quiet">
                {say("takenLessGivenBack")}
              </th>
              <th scope="col" className="text-end font-normal quiet">
                {say("providerKept")}
              </th>
              <th scope="col" className="text-end font-normal quiet">
                {say("sentToBank")}
              </th>
              <td />
            </tr>
          </thead>
          <tbody>
            {payouts.map((payout) => (
              <Fragment key={payout.id}>
                <tr className="border-b border-base-300 align-baseline">
                  <td className="py-1">{day.format(new Date(payout.at))}</td>
                  <td>
                    {payout.gateway}
                    {payout.mode === "test" && <span className="quiet"> · {say("practiceMoney")}</span>}
                  </td>
                  <td className="figure text-end">{money(payout.gross, payout.currency, language)}</td>
                  <td className="figure text-end">{money(payout.fees, payout.currency, language)}</td>
                  <td className="figure text-end font-semibold">{money(payout.amount, payout.currency, language)}</td>
                  <td className="ps-6 text-sm">
                    <TextButton
                      aria-expanded={open === payout.id}
                      onClick={() => setOpen(open === payout.id ? undefined : payout.id)}
                    >
                      {say("ofPayments", { count: payout.entries })}
                    </TextButton>
                    {payout.unmatched > 0 && (
                      <span className="block text-warning">{say("ofNoOrder", { count: payout.unmatched })}</span>
                    )}
                  </td>
                </tr>
                {open === payout.id && (
                  <tr>
                    <td colSpan={6} className="border-b border-base-300 bg-base-200 px-4 py-2">
                      <Entries payout={payout.id} currency={payout.currency} />
                    </td>
                  </tr>
                )}
              </Fragment>
            ))}
          </tbody>
        </table>
      )}
      {list.hasNextPage && (
        <button type="button" className="btn btn-sm mt-3" onClick={() => void list.fetchNextPage()}>
          {say("morePayouts")}
        </button>
      )}
    </>
  );
}

/** The payments of one payout, by their orders. */
function Entries({ payout, currency }: { payout: number; currency: string }) {
  const { shop, setup } = useBench();
  const entries = useInfiniteQuery({
    queryKey: ["payout", shop, payout],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/payouts/{payout}", {
          params: { path: { shop, payout }, query: pageParam ? { behind: pageParam } : {} },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const language = readIn(setup.shop.language);
  if (entries.isError) return <Said problems={problemsOf(entries.error)} />;
  return (
    <>
      <table className="text-sm">
        <tbody>
          {entries.data?.pages
            .flatMap((page) => page.entries)
            .map((entry) => (
              <tr key={entry.seq}>
                <td className="pe-6">
                  {entry.order ? (
                    <Link className="underline" to={`/desk/${shop}/orders/${entry.order}`}>
                      {say("orderNo", { number: entry.order })}
                    </Link>
                  ) : (
                    <span className="text-warning">
                      {say("noOrderOfThisShop")} <span className="font-mono text-xs">{entry.ref}</span>
                    </span>
                  )}
                </td>
                <td className="pe-6">{say(entry.kind === "refund" ? "wasGivenBack" : "wasTaken")}</td>
                <td className="figure pe-6 text-end">{money(entry.amount, currency, language)}</td>
                <td className="figure text-end quiet">
                  {say("keptOfIt", { amount: money(entry.fee, currency, language) })}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      {entries.hasNextPage && (
        <TextButton onClick={() => void entries.fetchNextPage()}>{say("morePayments")}</TextButton>
      )}
    </>
  );
}
