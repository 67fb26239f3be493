import type { ReactNode } from "react";
import type { Setup } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { whole, yesNo, yesNoChoices } from "../../shared/notations";
import { idFrom } from "../../shared/paths";
import { InStock } from "./InStock";
import { bounds, breaks, choices, measure, own, renewal, sale } from "./notations";

type Product = Setup["goods"]["products"][number];

/** One product unfolded: what changes its price, and what it takes to send it. */
export function ProductDetail({ product, close }: { product: Product; close: () => void }) {
  const bench = useBench();
  const { goods, delivery, shop } = bench.setup;
  const at = `goods/products/${product.id}`;
  const groups = [{ id: "", name: "none of its own" }, ...goods.groups];
  const dispatch = [{ id: "", name: "the shop" }, ...delivery.dispatch];
  const handling = [{ id: "", name: "as usual" }, ...delivery.handling];
  const optional = (text: string) => text || undefined;
  const physical = product.kind === "physical";
  return (
    <section
      aria-label={product.name}
      className="border-s-2 border-accent px-4 pt-2 pb-4 max-md:sticky max-md:start-0 max-md:w-[calc(100vw-2.75rem)]"
    >
      <div className="flex items-baseline gap-4">
        <h2 className="text-lg">{product.name}</h2>
        <span className="flex-1" />
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => void bench.set(at, undefined)}>
          Remove
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={close}>
          Fold
        </button>
      </div>
      <Part title="Price">
        <Field
          path={`${at}/sale`}
          label="Sale price"
          placeholder="none"
          note="39.00 from 2026-12-01 to 2026-12-24"
          {...sale}
        />
        <Field path={`${at}/breaks`} label="From a quantity on" placeholder="10: 7.50; 50: 12 %" {...breaks} />
        <Field path={`${at}/measure`} label="Sold by measure" placeholder="m by 0.05 from 0.5 to 50" {...measure} />
        {product.kind === "donation" && (
          <Field path={`${at}/bounds`} label="The buyer gives" placeholder="5.00 to 500.00" {...bounds} />
        )}
        <Field
          path={`${at}/renews`}
          label="Charged again every"
          placeholder="once only; 1 months, 2 weeks"
          {...renewal}
        />
        {shop.currencies.map((accepted) => (
          <Field
            key={accepted.code}
            path={`${at}/prices/${accepted.code}`}
            label={`Price in ${accepted.code}`}
            placeholder="converted"
            optional
          />
        ))}
        {goods.buyerGroups.map((group) => (
          <Field
            key={group.id}
            path={`${at}/groupPrices/${group.id}`}
            label={`For ${group.name}`}
            placeholder={group.percentOff ? `${group.percentOff} % off` : "the shelf price"}
            optional
          />
        ))}
      </Part>
      <Part title="In a group">
        <Field path={`${at}/group`} label="Group" choices={groups} read={optional} note={groupNote(product, goods)} />
        {physical && (
          <>
            <Field path={`${at}/sending/size`} label="Size packed" placeholder="110 × 12 × 12 cm" optional />
            <Field
              path={`${at}/sending/alone`}
              label="Travels alone"
              choices={yesNoChoices}
              write={yesNo.write}
              read={yesNo.read}
            />
            <Field path={`${at}/sending/preparation`} label="Preparation, working days" placeholder="none" {...whole} />
            <Field
              path={`${at}/sending/own`}
              label="Delivery of its own"
              placeholder="7.00 alone, 1.50 with others"
              {...own}
            />
            {delivery.handling.length > 0 && (
              <Field path={`${at}/sending/handling`} label="Handled" choices={handling} read={optional} />
            )}
            {delivery.dispatch.length > 0 && (
              <Field path={`${at}/sending/from`} label="Leaves from" choices={dispatch} read={optional} />
            )}
            <Field path={`${at}/sending/tariff`} label="Tariff code" placeholder="none" optional />
            <Field path={`${at}/sending/origin`} label="Made in" placeholder="IE" optional />
          </>
        )}
      </Part>
      <Options product={product} at={at} />
      <Variations product={product} at={at} />
      <PerUnits product={product} at={at} />
      <InStock product={product} />
    </section>
  );
}

/** Where what a product does not say comes from. */
function groupNote(product: Product, goods: Setup["goods"]): string {
  if (product.group) return "What it does not say, its group says.";
  const standing = goods.groups.find((group) => group.id === goods.defaultGroup);
  return standing ? `It is in the default group, ${standing.name}.` : "";
}

function Part({ title, add, children }: { title: string; add?: ReactNode; children: ReactNode }) {
  return (
    <div className="mt-3 grid gap-x-4 md:grid-cols-[8rem_1fr]">
      <div>
        <h3 className="text-sm">{title}</h3>
        {add}
      </div>
      <div className="grid grid-cols-2 content-start gap-x-6 gap-y-2 md:grid-cols-3">{children}</div>
    </div>
  );
}

function Add({ what, add }: { what: string; add: () => void }) {
  return (
    <button type="button" className="cursor-pointer text-xs underline" onClick={add}>
      {what}
    </button>
  );
}

function Remove({ path, what }: { path: string; what: string }) {
  const bench = useBench();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs justify-self-start self-end"
      aria-label={`Remove ${what}`}
      onClick={() => void bench.set(path, undefined)}
    >
      Remove
    </button>
  );
}

const ids = (things: { id: string }[]): string[] => things.map((each) => each.id);

function Options({ product, at }: { product: Product; at: string }) {
  const bench = useBench();
  const add = () => {
    const id = idFrom("option", ids(product.options));
    void bench.set(`${at}/options/${id}`, { id, name: "Choice of", choices: [{ id: "first", name: "First" }] });
  };
  return (
    <Part title="Options" add={<Add what="Add an option" add={add} />}>
      {product.options.length === 0 && <p className="col-span-full quiet">Nothing to choose.</p>}
      {product.options.map((option) => {
        const path = `${at}/options/${option.id}`;
        return (
          <div key={option.id} className="col-span-full grid grid-cols-3 gap-x-6 gap-y-1">
            <Field path={`${path}/name`} label="Option" />
            <span className="self-end text-xs">
              <Add
                what="Add a choice"
                add={() => {
                  const id = idFrom("choice", ids(option.choices));
                  void bench.set(`${path}/choices/${id}`, { id, name: "Another" });
                }}
              />
            </span>
            <Remove path={path} what={option.name} />
            {option.choices.map((choice) => (
              <div key={choice.id} className="col-span-full grid grid-cols-[1.5fr_1fr_1fr_auto] gap-x-4 ps-4">
                <Field path={`${path}/choices/${choice.id}/name`} label="Choice" />
                <Field path={`${path}/choices/${choice.id}/extra`} label="Adds" placeholder="nothing" optional />
                <Field
                  path={`${path}/choices/${choice.id}/percent`}
                  label="Adds, in percent"
                  placeholder="nothing"
                  optional
                />
                <Remove path={`${path}/choices/${choice.id}`} what={choice.name} />
              </div>
            ))}
          </div>
        );
      })}
    </Part>
  );
}

function Variations({ product, at }: { product: Product; at: string }) {
  const bench = useBench();
  if (product.options.length === 0) return null;
  const add = () => {
    const id = idFrom("variation", ids(product.variations));
    const chosen = Object.fromEntries(product.options.map((option) => [option.id, option.choices[0]?.id ?? ""]));
    void bench.set(`${at}/variations/${id}`, { id, options: chosen });
  };
  return (
    <Part title="Variations" add={<Add what="Add a variation" add={add} />}>
      {product.variations.length === 0 && (
        <p className="col-span-full quiet">No choice has a price or weight of its own.</p>
      )}
      {product.variations.map((variation) => {
        const path = `${at}/variations/${variation.id}`;
        return (
          <div key={variation.id} className="col-span-full grid grid-cols-[2fr_1fr_2fr_1fr_auto] gap-x-4">
            <Field path={`${path}/options`} label="Where chosen" {...choices} />
            <Field path={`${path}/price`} label="Price" placeholder="as above" optional />
            <Field path={`${path}/sale`} label="Sale price" {...sale} />
            <Field path={`${path}/weight`} label="Weight" placeholder="as above" optional />
            <Remove path={path} what={`variation ${variation.id}`} />
          </div>
        );
      })}
    </Part>
  );
}

function PerUnits({ product, at }: { product: Product; at: string }) {
  const bench = useBench();
  const taxed = [
    { id: "like-goods", name: "as the product" },
    ...bench.setup.tax.categories.map((each) => ({ id: `in ${each.id}`, name: each.name })),
    { id: "outside", name: "outside tax" },
  ];
  /** How it is taxed and, in a category of its own, in which: one choice, made in one act. */
  const taxedAs = (each: Product["perUnit"][number]) => ({
    write: () => (each.category ? `in ${each.category}` : (each.taxed ?? "")),
    read: (chosen: string) => {
      const { category: _, taxed: __, ...rest } = each;
      return chosen.startsWith("in ")
        ? { ...rest, taxed: "own-category", category: chosen.slice(3) }
        : { ...rest, taxed: chosen };
    },
  });
  const add = () => {
    const id = idFrom("deposit", ids(product.perUnit));
    void bench.set(`${at}/perUnit/${id}`, { id, name: "Deposit", amount: "0", inside: false, taxed: "like-goods" });
  };
  return (
    <Part title="Each unit bears" add={<Add what="Add a deposit or charge" add={add} />}>
      {product.perUnit.map((each) => {
        const path = `${at}/perUnit/${each.id}`;
        return (
          <div key={each.id} className="col-span-full grid grid-cols-[2fr_1fr_1fr_1fr_auto] gap-x-4">
            <Field path={`${path}/name`} label="Named" />
            <Field path={`${path}/amount`} label="Amount" />
            <Field path={path} label="Taxed as" choices={taxed} {...taxedAs(each)} />
            <Field path={`${path}/inside`} label="Inside the price" choices={yesNoChoices} {...yesNo} />
            <Remove path={path} what={each.name} />
          </div>
        );
      })}
    </Part>
  );
}
