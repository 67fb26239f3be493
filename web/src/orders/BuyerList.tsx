import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";
import { answer, api, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { readIn, say } from "../shared/say";
import { GroupMembers } from "./GroupMembers";
import { OnAccount } from "./OnAccount";

/** Who has bought: how often, when last, how much. */
export function BuyerList() {
  const { shop, setup } = useBench();
  const [typed, setTyped] = useState("");
  const [mode, setMode] = useState("");
  const words = useDeferredValue(typed.trim());
  const wanted = { ...(words ? { words } : {}), ...(mode ? { mode } : {}) };
  const list = useInfiniteQuery({
    queryKey: ["buyers", shop, wanted],
    placeholderData: keepPreviousData,
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/buyers", {
          params: { path: { shop }, query: { ...wanted, ...(pageParam ? { below: pageParam } : {}) } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const language = readIn(setup.shop.language);
  const day = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone: setup.shop.timeZone });
  const buyers = list.data?.pages.flatMap((page) => page.buyers) ?? [];
  return (
    <>
      <StationHead title={say("buyers")}>
        <span>{say("buyersNote")}</span>
        <a className="underline" href={`/api/shops/${shop}/buyers.csv?${new URLSearchParams(wanted)}`} download>
          {say("file")}
        </a>
        <Link className="underline" to={`/desk/${shop}/orders`}>
          {say("allOrders")}
        </Link>
      </StationHead>
      <div className="mb-6">
        <GroupMembers />
        <OnAccount />
      </div>
      <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
        <label>
          <span className="block text-xs quiet">{say("findBuyer")}</span>
          <input
            type="search"
            className="inplace w-72"
            value={typed}
            placeholder={say("nameOrEmailBegins")}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <label>
          <span className="block text-xs quiet">{say("ofPractice")}</span>
          <select
            className="inplace"
            value={mode || list.data?.pages[0]?.mode || "live"}
            onChange={(event) => setMode(event.target.value)}
          >
            <option value="live">{say("realOnes")}</option>
            <option value="test">{say("practiceOnes")}</option>
          </select>
        </label>
      </div>
      {list.isError && <Said problems={problemsOf(list.error)} />}
      {list.data && buyers.length === 0 && <p className="quiet">{say(words ? "noSuchBuyer" : "nobodyBoughtYet")}</p>}
      {buyers.length > 0 && (
        <table className="w-full max-w-5xl">
          <thead>
            <tr className="border-b border-base-content text-start text-xs">
              <th scope="col" className="py-1 text-start font-normal quiet">
                {say("headBuyer")}
              </th>
              <th scope="col" className="text-end font-normal quiet">
                {say("headOrders")}
              </th>
              <th scope="col" className="ps-6 text-start font-normal quiet">
                {say("headLast")}
              </th>
              <th scope="col" className="text-end font-normal quiet">
                {say("headPaidLessRefunds")}
              </th>
            </tr>
          </thead>
          <tbody>
            {buyers.map((buyer) => (
              <tr key={buyer.email} className="border-b border-base-300 align-baseline">
                <td className="py-1">
                  {buyer.name}{" "}
                  <a className="text-sm underline" href={`mailto:${buyer.email}`}>
                    {buyer.email}
                  </a>
                </td>
                <td className="figure text-end">{buyer.orders}</td>
                <td className="ps-6">{day.format(new Date(buyer.lastAt))}</td>
                <td className="figure text-end">
                  {buyer.spent.map((spent) => (
                    <span key={spent.currency} className="block">
                      {money(spent.paid, spent.currency, language)}
                      {Number(spent.refunded) > 0 && (
                        <span className="quiet"> − {money(spent.refunded, spent.currency, language)}</span>
                      )}
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {list.hasNextPage && (
        <button type="button" className="btn btn-sm mt-3" onClick={() => void list.fetchNextPage()}>
          {say("moreBuyers")}
        </button>
      )}
    </>
  );
}
