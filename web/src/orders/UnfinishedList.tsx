import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { readIn, say } from "../shared/say";

/** Baskets that were left: what is in them, what they are worth, and whether their buyer may be reminded. */
export function UnfinishedList() {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const key = ["unfinished", shop];
  const list = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/unfinished", {
          params: { path: { shop }, query: pageParam ? { below: pageParam } : {} },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const remind = useMutation({
    mutationFn: (basket: number) =>
      answer(api.POST("/api/shops/{shop}/unfinished/{basket}/remind", { params: { path: { shop, basket } } })),
    onSettled: () => client.invalidateQueries({ queryKey: key }),
  });
  const language = readIn(setup.shop.language);
  const time = new Intl.DateTimeFormat(language, {
    dateStyle: "medium",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  });
  const currency = list.data?.pages[0]?.currency || setup.shop.currency;
  const baskets = list.data?.pages.flatMap((page) => page.baskets) ?? [];
  return (
    <>
      <StationHead title={say("unfinishedBaskets")}>
        <span>{say("unfinishedNote")}</span>
        <Link className="underline" to={`/desk/${shop}/terms`}>
          {say("whenReminded")}
        </Link>
        <Link className="underline" to={`/desk/${shop}/orders`}>
          {say("allOrders")}
        </Link>
      </StationHead>
      {remind.isError && <Said problems={problemsOf(remind.error)} />}
      {list.isError && <Said problems={problemsOf(list.error)} />}
      {list.data && baskets.length === 0 && <p className="quiet">{say("noUnfinishedBaskets")}</p>}
      {baskets.length > 0 && (
        <table className="w-full max-w-5xl">
          <thead>
            <tr className="border-b border-base-content text-xs">
              {[say("leftAt"), say("basketContents")].map((title) => (
                <th key={title} scope="col" className="py-1 text-start font-normal quiet">
                  {title}
                </th>
              ))}
              <th scope="col" className="text-end font-normal quiet">
                {say("goodsWorth")}
              </th>
              <th scope="col" className="ps-6 text-start font-normal quiet">
                {say("reminder")}
              </th>
            </tr>
          </thead>
          <tbody>
            {baskets.map((basket) => (
              <tr key={basket.id} className="border-b border-base-300 align-baseline">
                <td className="py-1 pe-6 whitespace-nowrap">{time.format(new Date(basket.at))}</td>
                <td className="pe-6">{basket.things.join("; ")}</td>
                <td className="figure text-end">
                  {basket.worth == null ? say("notForSaleAnyMore") : money(basket.worth, currency, language)}
                </td>
                <td className="ps-6 text-sm">
                  {basket.remindedAt ? (
                    <>
                      {say("remindedOn")} {time.format(new Date(basket.remindedAt))}
                      <span className="block quiet">
                        {basket.buyer}
                        {basket.code && (
                          <>
                            {" · "}
                            <span className="font-mono">{basket.code}</span>
                          </>
                        )}
                      </span>
                    </>
                  ) : basket.buyer ? (
                    <>
                      {basket.remindAt
                        ? say("remindedAtTime", { time: time.format(new Date(basket.remindAt)) })
                        : say("notRemindedByItself")}
                      <span className="flex gap-3 quiet">
                        {basket.buyer}
                        {basket.remindAt && (
                          <button
                            type="button"
                            className="btn btn-xs"
                            disabled={remind.isPending}
                            onClick={() => remind.mutate(basket.id)}
                          >
                            {say("remindNow")}
                          </button>
                        )}
                      </span>
                    </>
                  ) : (
                    <span className="quiet">{say("mayNotBeReminded")}</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {list.hasNextPage && (
        <button type="button" className="btn btn-sm mt-3" onClick={() => void list.fetchNextPage()}>
          {say("moreBaskets")}
        </button>
      )}
    </>
  );
}
