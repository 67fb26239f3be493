import { useInfiniteQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { countryName } from "../shared/places";
import { StationHead } from "../shared/StationHead";

/** What a phone has room for, besides the amount. */
const narrow = ["Order", "Buyer", "State"];

/** All orders, the newest first, a page at a time. */
export function OrderList() {
  const { shop, setup } = useBench();
  const { language } = setup.shop;
  const list = useInfiniteQuery({
    queryKey: ["orders", shop],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/orders", {
          params: { path: { shop }, query: pageParam ? { below: pageParam } : {} },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const orders = list.data?.pages.flatMap((page) => page.orders) ?? [];
  const when = new Intl.DateTimeFormat(language, {
    dateStyle: "medium",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  });
  return (
    <>
      <StationHead title="Orders">{list.data?.pages[0]?.count ?? 0} in all</StationHead>
      {list.isSuccess && orders.length === 0 && (
        <p className="max-w-xl py-6 quiet">
          No order yet. Open{" "}
          <a className="underline" href={`/counter/${shop}`}>
            the counter
          </a>{" "}
          and put one through as a buyer would.
        </p>
      )}
      {orders.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-base-content text-start text-xs">
              {["Order", "Placed", "Buyer", "To", "State"].map((head) => (
                <th
                  key={head}
                  scope="col"
                  className={`py-1 pe-4 text-start font-semibold ${narrow.includes(head) ? "" : "max-sm:hidden"}`}
                >
                  {head}
                </th>
              ))}
              <th scope="col" className="py-1 text-end font-semibold">
                To pay
              </th>
            </tr>
          </thead>
          <tbody>
            {orders.map((order) => (
              <tr key={order.number} className="border-b border-base-300">
                <td className="py-2 pe-4">
                  <Link className="font-mono underline" to={String(order.number)}>
                    {order.number}
                  </Link>
                  {order.mode === "test" && (
                    <span className="ms-2 border border-dashed border-warning px-1 text-xs text-warning">test</span>
                  )}
                </td>
                <td className="pe-4 max-sm:hidden">{when.format(new Date(order.placedAt))}</td>
                <td className="pe-4">{order.name}</td>
                <td className="pe-4 max-sm:hidden">{countryName(order.country)}</td>
                <td className="pe-4">{order.state}</td>
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
          Older orders
        </button>
      )}
    </>
  );
}
