import { useInfiniteQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { answer, api, type Counter, type CounterGoods, type CounterProduct } from "../api/client";
import { forBuyer } from "./forBuyer";

/** Which goods of the list are looked at. */
export interface Looking {
  find: string;
  heading: string;
}

/** The list of goods as a buyer goes through it. */
export interface Goods {
  looking: Looking;
  look: (part: Partial<Looking>) => void;
  listed: CounterProduct[];
  /** How many more there are of those looked for. */
  toCome: number;
  more: () => void;
  busy: boolean;
}

const everything: Looking = { find: "", heading: "" };

/** @returns the list, and the counter knowing all goods seen so far */
export function useGoods(counter: Counter, email: string): { goods: Goods; known: Counter } {
  const [looking, setLooking] = useState(everything);
  const { shop, language, currency } = counter;
  const plain = looking.find === "" && looking.heading === "";
  const first = useMemo(
    () => ({ ...counter.goods, products: counter.goods.products.slice(0, counter.goods.listed) }),
    [counter.goods],
  );
  const pages = useInfiniteQuery({
    queryKey: ["goods", shop, language, currency, email, looking, plain ? counter.goods : undefined],
    initialPageParam: 0,
    queryFn: ({ pageParam }): Promise<CounterGoods> =>
      plain && pageParam === 0
        ? Promise.resolve(first)
        : answer(
            api.GET("/api/counter/{shop}/goods", {
              params: {
                path: { shop },
                query: {
                  ...looking,
                  from: pageParam,
                  language,
                  currency,
                  ...(forBuyer(shop) && email ? { forBuyer: email } : {}),
                },
              },
            }),
          ),
    getNextPageParam: (_, all) => {
      const seen = all.reduce((sum, page) => sum + page.listed, 0);
      return seen < (all[0]?.found ?? 0) ? seen : undefined;
    },
    ...(plain ? { initialData: { pages: [first], pageParams: [0] } } : {}),
    // What was looked for before stays until the next is there.
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const seen = pages.data?.pages ?? [];
  const listed = seen.flatMap((page) => page.products);
  // What was seen once can be in the basket.
  const [met] = useState(() => new Map<string, CounterGoods>());
  for (const page of [counter.goods, ...seen]) for (const { id } of page.products) met.set(id, page);
  return {
    goods: {
      looking,
      look: (part) => setLooking({ ...looking, ...part }),
      listed,
      toCome: (seen[0]?.found ?? 0) - listed.length,
      more: () => void pages.fetchNextPage(),
      busy: pages.isFetching,
    },
    known: { ...counter, goods: together([...new Set(met.values())], counter.goods) },
  };
}

/** Several pages as one; what the last of them says of a product holds. */
function together(pages: CounterGoods[], first: CounterGoods): CounterGoods {
  const products = new Map(pages.flatMap((page) => page.products.map((product) => [product.id, product] as const)));
  return {
    ...first,
    products: [...products.values()],
    prices: Object.assign({}, ...pages.map(({ prices }) => prices)) as CounterGoods["prices"],
    reduced: Object.assign({}, ...pages.map(({ reduced }) => reduced)) as CounterGoods["reduced"],
    left: Object.assign({}, ...pages.map(({ left }) => left)) as CounterGoods["left"],
    begun: pages.flatMap(({ begun }) => begun),
  };
}
