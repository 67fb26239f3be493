import { useState } from "react";
import type { Setup } from "../../api/client";
import { useActs } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { stored } from "../../shared/notation/figures";
import { idFrom, type SetupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { Combinations } from "./Combinations";
import { adds, newChoices, type Option, type Variation, variationOf, withFigure } from "./choices";
import { Days } from "./Days";
import { LeftField } from "./LeftField";

type Product = Setup["goods"]["products"][number];
type Picked = Record<string, string>;

/**
 * What the buyer chooses, on one board: choices along its edges, and what they come to together where they cross. What
 * each choice adds stands at the edge; a price, a weight or a count in a crossing holds in place of that.
 */
export function ChoicesBoard({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const [down, across, ...further] = product.options;
  const [layer, setLayer] = useState<Picked>({});
  const fixed = Object.fromEntries(
    further.map((option) => [option.id, layer[option.id] ?? option.choices[0]?.id ?? ""]),
  );
  return (
    <section aria-label={say("whatBuyerChooses")} className="mt-4">
      <h3 className="text-sm">{say("whatBuyerChooses")}</h3>
      {further.length > 0 && (
        <p className="mt-1 flex flex-wrap gap-x-4 text-xs">
          {further.map((option) => (
            <label key={option.id}>
              {say("boardFor", { option: option.name })}{" "}
              <select
                className="inplace"
                value={fixed[option.id]}
                onChange={(event) => setLayer({ ...layer, [option.id]: event.target.value })}
              >
                {option.choices.map((choice) => (
                  <option key={choice.id} value={choice.id}>
                    {choice.name}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </p>
      )}
      {down && (
        <div className="mt-2 overflow-x-auto">
          <table className="text-sm">
            <thead>
              <tr>
                <th scope="col" className="min-w-40 pe-4 text-start align-bottom font-normal">
                  <OptionName option={down} at={at} />
                </th>
                {across ? (
                  across.choices.map((choice) => (
                    <th key={choice.id} scope="col" className="min-w-28 px-2 text-start align-bottom font-normal">
                      <Edge option={across} choice={choice.id} at={at} />
                    </th>
                  ))
                ) : (
                  <th scope="col" className="px-2 text-start align-bottom text-xs font-normal quiet">
                    {say("figureOfItsOwn")}
                  </th>
                )}
                {across && (
                  <th scope="col" className="px-2 text-start align-bottom font-normal">
                    <OptionName option={across} at={at} />
                    <AddChoice option={across} at={at} />
                  </th>
                )}
              </tr>
            </thead>
            <tbody>
              {down.choices.map((choice) => (
                <tr key={choice.id} className="border-t border-base-300 align-top">
                  <th scope="row" className="py-1 pe-4 text-start font-normal">
                    <Edge option={down} choice={choice.id} at={at} />
                  </th>
                  {across ? (
                    across.choices.map((other) => (
                      <Crossing
                        key={other.id}
                        product={product}
                        at={at}
                        picked={{ ...fixed, [down.id]: choice.id, [across.id]: other.id }}
                        name={`${choice.name}, ${other.name}`}
                      />
                    ))
                  ) : (
                    <Crossing product={product} at={at} picked={{ [down.id]: choice.id }} name={choice.name} />
                  )}
                </tr>
              ))}
            </tbody>
          </table>
          <AddChoice option={down} at={at} />
          <p className="mt-1 max-w-xl text-xs quiet">{say("crossingsSay")}</p>
        </div>
      )}
      {further.map((option) => (
        <div key={option.id} className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-1">
          <OptionName option={option} at={at} />
          {option.choices.map((choice) => (
            <Edge key={choice.id} option={option} choice={choice.id} at={at} />
          ))}
          <AddChoice option={option} at={at} />
        </div>
      ))}
      <NewOption product={product} at={at} />
      <Combinations product={product} at={at} />
      {(product.kind === "service" || product.kind === "remote-service") && <Days product={product} at={at} />}
    </section>
  );
}

/** One question with its answers in a line: "Size: small, medium, large". */
function NewOption({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const acts = useActs();
  const [typed, setTyped] = useState("");
  const add = async () => {
    const { name, choices } = newChoices(typed);
    if (!name) return;
    const id = idFrom(
      name,
      product.options.map((each) => each.id),
    );
    if (await acts.set(under(at)("options", id), { id, name, choices })) setTyped("");
  };
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-x-3"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label className="w-80 max-w-full">
        <span className="block text-xs quiet">
          {say(product.options.length === 0 ? "askBuyer" : "askBuyerAnother")} {say("askBuyerExample")}
        </span>
        <input
          className="inplace w-full"
          maxLength={400}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-ghost btn-xs" disabled={!newChoices(typed).name}>
        {say("addIt")}
      </button>
    </form>
  );
}

function OptionName({ option, at }: { option: Option; at: SetupPath<Product> }) {
  const acts = useActs();
  const path = under(at)("options", option.id);
  return (
    <span className="flex items-end gap-2">
      <Field path={under(path)("name")} label={say("choiceOf")} className="min-w-24" />
      <TextButton
        className="text-xs"
        aria-label={say("removeWhat", { what: option.name })}
        onClick={() => void acts.set(path, undefined)}
      >
        {say("removeIt")}
      </TextButton>
    </span>
  );
}

function AddChoice({ option, at }: { option: Option; at: SetupPath<Product> }) {
  const acts = useActs();
  const add = (name: string) => {
    const id = idFrom(
      name,
      option.choices.map((each) => each.id),
    );
    void acts.set(under(at)("options", option.id, "choices", id), { id, name });
  };
  return (
    <span className="text-xs">
      <AddNamed what={say("choiceTo", { option: option.name })} add={add} />
    </span>
  );
}

/** A choice at the board's edge: what it is called, and what it adds. */
function Edge({ option, choice, at }: { option: Option; choice: string; at: SetupPath<Product> }) {
  const acts = useActs();
  const path = under(at)("options", option.id, "choices", choice);
  const its = option.choices.find((each) => each.id === choice);
  return (
    <span className="flex items-end gap-2">
      <span className="min-w-20 flex-1 font-semibold">
        <Field path={under(path)("name")} label={say("choiceField")} hideLabel />
      </span>
      <span className="w-16 font-mono">
        <Field
          path={path}
          at={its?.percent ? under(path)("percent") : under(path)("extra")}
          label={say("addsOf", { name: its?.name ?? "" })}
          hideLabel
          placeholder={say("adds")}
          write={adds.write}
          read={adds.read(its)}
        />
      </span>
      <TextButton
        className="text-xs"
        aria-label={say("removeWhat", { what: its?.name ?? choice })}
        onClick={() => void acts.set(path, undefined)}
      >
        ×
      </TextButton>
    </span>
  );
}

interface CrossingProps {
  product: Product;
  at: SetupPath<Product>;
  picked: Picked;
  name: string;
}

/** What choices come to together: a price, a weight and a count in place of what the edges say. */
function Crossing({ product, at, picked, name }: CrossingProps) {
  const acts = useActs();
  const variation = variationOf(product, picked);
  const id =
    variation?.id ??
    idFrom(
      Object.values(picked).join(" "),
      product.variations.map((each) => each.id),
    );
  const path = under(at)("variations", id);
  const own = variation ?? ({ id, options: picked } as Variation);
  return (
    <td className="px-2 py-1">
      <span className="grid w-28 grid-cols-[2.6rem_1fr] items-baseline gap-x-1 text-xs">
        <span className="quiet">{say("price")}</span>
        <Field
          path={path}
          at={under(path)("price")}
          label={say("priceOfNamed", { name })}
          hideLabel
          write={() => variation?.price ?? ""}
          read={(text) => withFigure(own, "price", text && stored(text))}
        />
        {product.kind === "physical" && (
          <>
            <span className="quiet">{say("weight")}</span>
            <Field
              path={path}
              at={under(path)("weight")}
              label={say("weightOfNamed", { name })}
              hideLabel
              write={() => String(variation?.weight ?? "")}
              read={(text) => withFigure(own, "weight", stored(text))}
            />
          </>
        )}
        <span className="quiet">{say("left")}</span>
        <LeftField
          product={product.id}
          item={`${product.id}/${id}`}
          name={name}
          hideName
          before={async () => variation !== undefined || (await acts.set(path, own))}
        />
      </span>
    </td>
  );
}
