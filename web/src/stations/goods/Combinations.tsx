import type { Setup } from "../../api/client";
import { useActs } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { sale } from "../../shared/notation/goods";
import { idFrom, type SetupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { partial, type Variation } from "./choices";

type Product = Setup["goods"]["products"][number];

/** Combinations that leave something open, and those on sale, which no crossing has room for: a plain list. */
export function Combinations({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const acts = useActs();
  const listed = [...partial(product), ...product.variations.filter((each) => each.sale)].filter(
    (each, index, all) => all.indexOf(each) === index,
  );
  const [first] = product.options;
  const add = () => {
    const id = idFrom(
      "combination",
      product.variations.map((each) => each.id),
    );
    void acts.set(under(at)("variations", id), { id, options: { [first?.id ?? ""]: first?.choices[0]?.id ?? "" } });
  };
  if (!first || (product.options.length < 2 && listed.length === 0)) return null;
  return (
    <div className="mt-2">
      <h4 className="text-xs font-semibold">
        {say("combinationsOfTheirOwn")}{" "}
        <TextButton className="font-normal" onClick={add}>
          {say("addCombination")}
        </TextButton>
      </h4>
      {listed.map((each) => (
        <Combination key={each.id} product={product} at={at} variation={each} />
      ))}
    </div>
  );
}

function Combination({ product, at, variation }: { product: Product; at: SetupPath<Product>; variation: Variation }) {
  const acts = useActs();
  const path = under(at)("variations", variation.id);
  const pick = (option: string, choice: string) => {
    const { [option]: _, ...rest } = variation.options;
    void acts.set(under(path)("options"), choice ? { ...rest, [option]: choice } : rest);
  };
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-1 border-t border-base-300 py-1 text-xs">
      {product.options.map((option) => (
        <label key={option.id}>
          <span className="block quiet">{option.name}</span>
          <select
            className="inplace"
            value={variation.options[option.id] ?? ""}
            onChange={(event) => pick(option.id, event.target.value)}
          >
            <option value="">{say("any")}</option>
            {option.choices.map((choice) => (
              <option key={choice.id} value={choice.id}>
                {choice.name}
              </option>
            ))}
          </select>
        </label>
      ))}
      <Field path={under(path)("price")} label={say("price")} className="w-20" optional />
      <Field path={under(path)("sale")} label={say("salePrice")} className="w-52" {...sale} />
      <Field path={under(path)("weight")} label={say("weight")} className="w-20" optional />
      <TextButton
        aria-label={say("removeWhat", { what: say("combination") })}
        onClick={() => void acts.set(path, undefined)}
      >
        {say("removeIt")}
      </TextButton>
    </div>
  );
}
