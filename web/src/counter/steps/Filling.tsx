import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type Counter, type CounterProduct, type Line } from "../../api/client";
import { money } from "../../shared/money";
import { useSay } from "../phrases";

type Box = NonNullable<CounterProduct["box"]>;

/** How many pieces of each of the goods a box is filled from, by its code. */
export type Pieces = Record<string, number>;

/** What was put into a box, as a line holds it. */
export const contentsOf = (box: Box, pieces: Pieces): Line[] =>
  box.from
    .filter(({ id }) => (pieces[id] ?? 0) > 0)
    .map(({ id, product, options }) => ({
      product,
      quantity: String(pieces[id]),
      options,
      answers: {},
      contents: [],
    }));

export const countOf = (pieces: Pieces): number => Object.values(pieces).reduce((sum, count) => sum + count, 0);

interface Props {
  counter: Counter;
  product: CounterProduct;
  box: Box;
  pieces: Pieces;
  put: (pieces: Pieces) => void;
}

/** A box as its buyer fills it: pieces of each, and what it costs so far. */
export function Filling({ counter, product, box, pieces, put }: Props) {
  const say = useSay();
  const count = countOf(pieces);
  const enough = count >= box.least && count <= box.most;
  const lines: Line[] = [
    { product: product.id, quantity: "1", options: {}, answers: {}, contents: contentsOf(box, pieces) },
  ];
  const body = {
    basket: { lines, codes: [], deliveries: {}, currency: counter.currency, to: { country: counter.home } },
    buyer: { language: counter.language },
  };
  // What it costs is what a basket with it costs: priced by the shop, never here.
  const priced = useQuery({
    queryKey: ["box", counter.shop, body],
    queryFn: () => answer(api.POST("/api/counter/{shop}/quote", { params: { path: { shop: counter.shop } }, body })),
    enabled: enough,
    placeholderData: keepPreviousData,
  });
  const nameOf = (part: Box["from"][number]) => {
    const goods = counter.goods.products.find((each) => each.id === part.product);
    const choices = Object.entries(part.options).map(
      ([option, choice]) =>
        goods?.options.find((each) => each.id === option)?.choices.find((each) => each.id === choice)?.name ?? choice,
    );
    return [goods?.name ?? part.product, ...choices].join(", ");
  };
  return (
    <fieldset className="mt-2">
      <legend className="text-xs quiet">
        {box.least === box.most
          ? say("fillExactly", { least: box.least })
          : say("fillIt", { least: box.least, most: box.most })}
      </legend>
      {box.from.map((part) => {
        const name = nameOf(part);
        const there = pieces[part.id] ?? 0;
        return (
          <div key={part.id} className="flex items-center gap-3 border-b border-dotted border-base-300 py-1">
            <span className="flex-1">
              {name}
              {part.extra && counter.currency === counter.currencies[0] && (
                <span className="ms-2 text-xs quiet">
                  {say("adds", { price: money(part.extra, counter.currency, counter.language) })}
                </span>
              )}
            </span>
            <span className="join">
              <button
                type="button"
                className="btn join-item btn-sm"
                aria-label={say("oneLess", { name })}
                disabled={there === 0}
                onClick={() => put({ ...pieces, [part.id]: there - 1 })}
              >
                −
              </button>
              <span className="join-item flex w-9 items-center justify-center border border-base-300 font-mono">
                {there}
              </span>
              <button
                type="button"
                className="btn join-item btn-sm"
                aria-label={say("oneMore", { name })}
                disabled={count >= box.most}
                onClick={() => put({ ...pieces, [part.id]: there + 1 })}
              >
                +
              </button>
            </span>
          </div>
        );
      })}
      <p className="pt-1 font-semibold" aria-live="polite">
        {enough && priced.data
          ? say("piecesFor", { count, price: money(priced.data.goods, counter.currency, counter.language) })
          : say("piecesSoFar", { count })}
      </p>
    </fieldset>
  );
}
