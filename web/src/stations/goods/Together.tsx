import { useState } from "react";
import type { Line, Setup } from "../../api/client";
import { useActs, useBench, useTroubles } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { whole } from "../../shared/notation/plain";
import { idFrom, type SetupPath, under } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

type Product = Setup["goods"]["products"][number];
type Whole = NonNullable<Product["together"]>;

const nothing: Whole = { priced: "sum", from: [] };

/** Goods that can be a part: sold at a price of their own, and in a box by the piece. */
const fitting = (products: Product[], box: boolean) =>
  products.filter(
    ({ kind, measure, bounds }) =>
      kind !== "bundle" &&
      kind !== "box" &&
      kind !== "donation" &&
      !(kind === "voucher" && bounds) &&
      !(box && measure),
  );

/** What is in a bundle, or what a box is filled from, and what it costs together. */
export function Together({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const bench = useBench();
  const acts = useActs();
  const troubles = useTroubles();
  const { products } = bench.setup.goods;
  const box = product.kind === "box";
  const path = under(at)("together");
  const together = product.together ?? nothing;
  const { contents } = product;
  const setContents = (lines: Line[]) => void acts.set(under(at)("contents"), lines);
  const setFrom = (from: Whole["from"]) => void acts.set(path, { ...together, from });
  const firstChoices = (of: Product) =>
    Object.fromEntries(of.options.map((option) => [option.id, option.choices[0]?.id ?? ""]));
  const add = (id: string) => {
    const part = products.find((each) => each.id === id);
    if (!part) return;
    const options = firstChoices(part);
    if (box) {
      const named = idFrom(
        part.id,
        together.from.map((each) => each.id),
      );
      setFrom([...together.from, { id: named, product: id, options }]);
    } else {
      setContents([
        ...contents,
        { product: id, quantity: part.measure?.least ?? "1", options, answers: {}, contents: [] },
      ]);
    }
  };
  return (
    <section aria-label={box ? say("filledFrom") : say("whatIsInThisBundle")} className="mt-4">
      <h3 className="text-sm">{box ? say("filledFrom") : say("whatIsInThisBundle")}</h3>
      {box
        ? together.from.map((part, place) => (
            <Part
              key={part.id}
              part={part}
              products={products}
              choose={(options) =>
                setFrom(together.from.map((each, index) => (index === place ? { ...each, options } : each)))
              }
              remove={() => setFrom(together.from.filter((_, index) => index !== place))}
              label={say("pieceAdds")}
              figure={part.extra ?? ""}
              placeholder={say("nothing")}
              put={(typed) => {
                const { extra: _, ...rest } = part;
                setFrom(
                  together.from.map((each, index) =>
                    index === place ? (typed ? { ...rest, extra: typed } : rest) : each,
                  ),
                );
              }}
            />
          ))
        : contents.map((part, place) => (
            <Part
              // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the bundle
              key={place}
              part={part}
              products={products}
              choose={(options) =>
                setContents(contents.map((each, index) => (index === place ? { ...each, options } : each)))
              }
              remove={() => setContents(contents.filter((_, index) => index !== place))}
              label={say("howManyInIt")}
              figure={part.quantity}
              placeholder="1"
              put={(typed) =>
                setContents(
                  contents.map((each, index) => (index === place ? { ...each, quantity: typed || "1" } : each)),
                )
              }
            />
          ))}
      <select
        className="inplace mt-2 w-64"
        aria-label={say("aPart")}
        value=""
        onChange={(event) => add(event.target.value)}
      >
        <option value="">{say("chooseGoods")}</option>
        {fitting(products, box).map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      <Said problems={[...(troubles.refusals[path] ?? []), ...(troubles.refusals[under(at)("contents")] ?? [])]} />
      <div className="mt-2 grid grid-cols-2 items-end gap-x-6 gap-y-2 md:grid-cols-4">
        <Field
          path={path}
          at={under(path)("priced")}
          label={say("costs")}
          choices={[
            { id: "sum", name: say("whatPartsComeTo") },
            { id: "own", name: say("aPriceOfItsOwn", { price: product.price }) },
          ]}
          write={(value) => (value as Whole | undefined)?.priced ?? "sum"}
          read={(priced) => {
            const { percentOff: _, ...rest } = together;
            return priced === "own" ? { ...rest, priced } : { ...together, priced };
          }}
        />
        {together.priced === "sum" && (
          <Field
            path={path}
            at={under(path)("percentOff")}
            label={say("percentOffParts")}
            placeholder={say("none")}
            write={(value) => (value as Whole | undefined)?.percentOff ?? ""}
            read={(text) => {
              const { percentOff: _, ...rest } = together;
              return text.trim() ? { ...rest, percentOff: text.trim().replace(",", ".") } : rest;
            }}
          />
        )}
        {box && (
          <>
            <Field path={under(path)("least")} label={say("atLeastPieces")} placeholder="1" {...whole} />
            <Field path={under(path)("most")} label={say("atMostPieces")} placeholder="200" {...whole} />
          </>
        )}
      </div>
    </section>
  );
}

interface PartProps {
  part: { product: string; options: Record<string, string> };
  products: Product[];
  choose: (options: Record<string, string>) => void;
  remove: () => void;
  label: string;
  figure: string;
  placeholder: string;
  put: (typed: string) => void;
}

/** One part, with all its choices made. */
function Part({ part, products, choose, remove, label, figure, placeholder, put }: PartProps) {
  const [typed, setTyped] = useState<string>();
  const product = products.find((each) => each.id === part.product);
  const name = product?.name ?? part.product;
  const leave = () => {
    const text = typed?.trim().replace(",", ".");
    setTyped(undefined);
    if (text !== undefined && text !== figure) put(text);
  };
  return (
    <p className="mt-1 flex flex-wrap items-baseline gap-x-3 border-b border-base-300 py-1">
      <span className="min-w-48 flex-1">{name}</span>
      {product?.options.map((option) => (
        <select
          key={option.id}
          className="inplace"
          aria-label={`${name}: ${option.name}`}
          value={part.options[option.id] ?? ""}
          onChange={(event) => choose({ ...part.options, [option.id]: event.target.value })}
        >
          {option.choices.map((choice) => (
            <option key={choice.id} value={choice.id}>
              {choice.name}
            </option>
          ))}
        </select>
      ))}
      <span className="text-xs quiet">{label}</span>
      <input
        className="inplace w-16 text-end font-mono"
        aria-label={`${name}: ${label}`}
        placeholder={placeholder}
        value={typed ?? figure}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => event.key === "Enter" && leave()}
      />
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        aria-label={say("removeWhat", { what: name })}
        onClick={remove}
      >
        {say("removeIt")}
      </button>
    </p>
  );
}
