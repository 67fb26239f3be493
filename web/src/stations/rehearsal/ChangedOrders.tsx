import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ChangedGroup } from "../../api/client";
import { useBench } from "../../desk/bench";
import { money } from "../../shared/money";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import type { Compared } from "./useChanges";

/** The orders of a cause, as many as are asked for; one of them opens to both its tickets side by side. */
export function ChangedOrders({ group, compared }: { group: ChangedGroup; compared: Compared }) {
  const { shop, draft } = useBench();
  const [open, setOpen] = useState<string>();
  const { kind, currency, cause } = group;
  const orders = useInfiniteQuery({
    queryKey: ["changed", shop, draft.version, compared, kind, currency, cause.path],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/shops/{shop}/changes/orders", {
          params: { path: { shop }, query: { kind, currency, path: cause.path, page: pageParam } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last, all) => (last.more ? all.length : undefined),
  });
  const rows = orders.data?.pages.flatMap((page) => page.orders) ?? [];
  return (
    <div className="mb-3 ms-4 border-s border-base-300 ps-3">
      <ul>
        {rows.map((order) => (
          <li key={order.name} className="py-0.5">
            {compared.of === "baskets" ? (
              <span>{order.name}</span>
            ) : (
              <button
                type="button"
                aria-expanded={open === order.name}
                className="cursor-pointer underline underline-offset-2"
                onClick={() => setOpen(open === order.name ? undefined : order.name)}
              >
                {say("orderNumbered", { number: order.name })}
              </button>
            )}{" "}
            {kind === "differs" && (
              <span className="figure">
                {money(order.before, currency, deskLocale())} → {money(order.after, currency, deskLocale())}
              </span>
            )}{" "}
            {order.others > 0 && <span className="quiet">{say("moreCauses", { count: order.others })}</span>}
            {open === order.name && <BothTickets number={Number(order.name)} compared={compared} />}
          </li>
        ))}
      </ul>
      {orders.hasNextPage && <TextButton onClick={() => void orders.fetchNextPage()}>{say("moreOrders")}</TextButton>}
    </div>
  );
}

/** An order figure by figure under both setups; what differs stands out. */
function BothTickets({ number, compared }: { number: number; compared: Compared }) {
  const { shop, draft } = useBench();
  const { before, after, asOf, passed } = compared;
  const both = useQuery({
    queryKey: ["both-tickets", shop, draft.version, number, before, after, asOf, passed],
    queryFn: () =>
      answer(
        api.GET("/api/shops/{shop}/changes/orders/{number}", {
          params: {
            path: { shop, number },
            query: {
              ...(before === undefined ? {} : { before }),
              ...(after === undefined ? {} : { after }),
              ...(asOf === undefined ? {} : { asOf }),
              ...(passed ? { passed } : {}),
            },
          },
        }),
      ),
  });
  if (!both.data) return null;
  const { rows, currency } = both.data;
  const written = (amount: string | null | undefined) => (amount == null ? "–" : money(amount, currency, deskLocale()));
  return (
    <div className="overflow-x-auto">
      <table className="my-1">
        <thead>
          <tr className="text-xs quiet">
            <th scope="col" className="pe-4 text-start font-normal">
              {say("figureHead")}
            </th>
            <th scope="col" className="px-3 text-end font-normal">
              {say("comparedFrom")}
            </th>
            <th scope="col" className="px-3 text-end font-normal">
              {say("comparedTo")}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.what} className={row.before === row.after ? "quiet" : "font-semibold"}>
              <th scope="row" className="pe-4 text-start font-normal">
                {row.what}
              </th>
              <td className="figure px-3 text-end">{written(row.before)}</td>
              <td className="figure px-3 text-end">{written(row.after)}</td>
            </tr>
          ))}
          {(both.data.before.length > 0 || both.data.after.length > 0) && (
            <tr className="text-error">
              <th scope="row" className="pe-4 text-start font-normal">
                {say("whyNotToBeHad")}
              </th>
              <td className="px-3">{both.data.before.join(" ") || "–"}</td>
              <td className="px-3">{both.data.after.join(" ") || "–"}</td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}
