import type { ReactNode } from "react";
import type { Setup } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { NamedField } from "../../shared/NamedField";
import { NotationField } from "../../shared/NotationField";
import { bounds, breaks, measure, own, renewal, sale } from "../../shared/notation/goods";
import { whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { idFrom, type SetupPath, setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { ChoicesBoard } from "./ChoicesBoard";
import { InStock } from "./InStock";

type Product = Setup["goods"]["products"][number];

/** One product unfolded: what changes its price, and what it takes to send it. */
export function ProductDetail({ product, close }: { product: Product; close: () => void }) {
  const bench = useBench();
  const acts = useActs();
  const { goods, delivery, shop } = bench.setup;
  const at = setupPath("goods", "products", product.id);
  const groups = [{ id: "", name: say("noneItsOwn") }, ...goods.groups];
  const dispatch = [{ id: "", name: say("theShop") }, ...delivery.dispatch];
  const handling = [{ id: "", name: say("asUsual") }, ...delivery.handling];
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
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => void acts.set(at, undefined)}>
          {say("removeIt")}
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={close}>
          {say("fold")}
        </button>
      </div>
      <Part title={say("price")}>
        <NotationField path={under(at)("sale")} label={say("salePrice")} placeholder={say("none")} notation={sale} />
        <NotationField
          path={under(at)("breaks")}
          label={say("fromQuantityOn")}
          placeholder={say("none")}
          notation={breaks}
        />
        <NotationField
          path={under(at)("measure")}
          label={say("soldByMeasure")}
          placeholder={say("byThePiece")}
          notation={measure}
        />
        {product.kind === "donation" && (
          <NotationField path={under(at)("bounds")} label={say("buyerGives")} notation={bounds} />
        )}
        <NotationField
          path={under(at)("renews")}
          label={say("chargedAgainEvery")}
          placeholder={say("onceOnly")}
          notation={renewal}
        />
        {shop.currencies.map((accepted) => (
          <Field
            key={accepted.code}
            path={under(at)("prices", accepted.code)}
            label={say("priceInCurrency", { code: accepted.code })}
            placeholder={say("converted")}
            optional
          />
        ))}
        {goods.buyerGroups.map((group) => (
          <Field
            key={group.id}
            path={under(at)("groupPrices", group.id)}
            label={say("forNamed", { name: group.name })}
            placeholder={group.percentOff ? say("percentOff2", { percentOff: group.percentOff }) : say("shelfPrice")}
            optional
          />
        ))}
      </Part>
      <Part title={say("inAGroup")}>
        <Field
          path={under(at)("group")}
          label={say("groupField")}
          choices={groups}
          read={optional}
          note={groupNote(product, goods)}
        />
        {physical && (
          <>
            <Field
              path={under(at)("sending", "size")}
              label={say("sizePacked")}
              placeholder={say("sizeExample")}
              optional
            />
            <Field
              path={under(at)("sending", "alone")}
              label={say("travelsAlone")}
              choices={yesNoChoices}
              write={yesNo.write}
              read={yesNo.read}
            />
            <Field
              path={under(at)("sending", "preparation")}
              label={say("preparationWorkingDays")}
              placeholder={say("none")}
              {...whole}
            />
            <NotationField
              path={under(at)("sending", "own")}
              label={say("deliveryItsOwn")}
              placeholder={say("none")}
              notation={own}
            />
            {delivery.handling.length > 0 && (
              <Field
                path={under(at)("sending", "handling")}
                label={say("handled")}
                choices={handling}
                read={optional}
              />
            )}
            {delivery.dispatch.length > 0 && (
              <Field path={under(at)("sending", "from")} label={say("leavesFrom")} choices={dispatch} read={optional} />
            )}
            <Field path={under(at)("sending", "tariff")} label={say("tariffCode")} placeholder={say("none")} optional />
            <NamedField path={under(at)("sending", "origin")} label={say("made")} kind="country" optional />
          </>
        )}
      </Part>
      <ChoicesBoard product={product} at={at} />
      <PerUnits product={product} at={at} />
      <InStock product={product} />
    </section>
  );
}

/** Where what a product does not say comes from. */
function groupNote(product: Product, goods: Setup["goods"]): string {
  if (product.group) return say("whatDoesNotSayIts");
  const standing = goods.groups.find((group) => group.id === goods.defaultGroup);
  return standing ? say("isInDefaultGroup", { name: standing.name }) : "";
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

function Remove({ path, what }: { path: SetupPath; what: string }) {
  const acts = useActs();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs justify-self-start self-end"
      aria-label={say("removeWhat", { what })}
      onClick={() => void acts.set(path, undefined)}
    >
      {say("removeIt")}
    </button>
  );
}

const ids = (things: { id: string }[]): string[] => things.map((each) => each.id);

function PerUnits({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const bench = useBench();
  const acts = useActs();
  const taxed = [
    { id: "like-goods", name: say("asProduct") },
    ...bench.setup.tax.categories.map((each) => ({ id: `in ${each.id}`, name: each.name })),
    { id: "outside", name: say("outsideTax") },
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
    void acts.set(under(at)("perUnit", id), {
      id,
      name: say("deposit"),
      amount: "0",
      inside: false,
      taxed: "like-goods",
    });
  };
  return (
    <Part title={say("eachUnitBears")} add={<Add what={say("addDepositOrCharge")} add={add} />}>
      {product.perUnit.map((each) => {
        const path = under(at)("perUnit", each.id);
        return (
          <div key={each.id} className="col-span-full grid grid-cols-[2fr_1fr_1fr_1fr_auto] gap-x-4">
            <Field path={under(path)("name")} label={say("named")} />
            <Field path={under(path)("amount")} label={say("amountField")} />
            <Field path={path} label={say("taxedAs")} choices={taxed} {...taxedAs(each)} />
            <Field path={under(path)("inside")} label={say("insidePrice")} choices={yesNoChoices} {...yesNo} />
            <Remove path={path} what={each.name} />
          </div>
        );
      })}
    </Part>
  );
}
