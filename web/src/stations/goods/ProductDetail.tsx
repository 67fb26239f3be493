import type { ReactNode } from "react";
import type { Setup } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { IdsField } from "../../shared/IdsField";
import { NamedField } from "../../shared/NamedField";
import { NotationField } from "../../shared/NotationField";
import { bounds, breaks, measure, own, renewal, sale } from "../../shared/notation/goods";
import type { Notation } from "../../shared/notation/notation";
import { whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { idFrom, type SetupPath, setupPath, under } from "../../shared/paths";
import { type Settable, Settables, settable } from "../../shared/Settables";
import { say } from "../../shared/say";
import { ChoicesBoard } from "./ChoicesBoard";
import { InStock } from "./InStock";
import { ProductFiles } from "./ProductFiles";
import { Questions } from "./Questions";
import { Shown } from "./Shown";
import { Together } from "./Together";

type Product = Setup["goods"]["products"][number];

const FIELDS = "grid grid-cols-2 content-start gap-x-6 gap-y-2 md:grid-cols-3";

/** One product unfolded: what changes its price, and what it takes to send it. */
export function ProductDetail({ product, close }: { product: Product; close: () => void }) {
  const bench = useBench();
  const acts = useActs();
  const { goods, delivery, shop } = bench.setup;
  const at = setupPath("goods", "products", product.id);
  const groups = [{ id: "", name: say("noneItsOwn") }, ...goods.groups];
  const dispatch = [{ id: "", name: say("theShop") }, ...delivery.dispatch];
  const handling = [{ id: "", name: say("asUsual") }, ...delivery.handling];
  const physical = product.kind === "physical";
  const assembled = product.kind === "bundle" || product.kind === "box";
  const ownPrice = product.together?.priced === "own";
  /** Only what is in a bundle or box has a measure or is charged again; only one with a price of its own has prices. */
  const mattering = (items: Settable[]): Settable[] =>
    items.map((item) => {
      const field = item.path.slice(at.length + 1).split("/")[0] ?? "";
      const ofParts = ["measure", "renews"].includes(field);
      const ofPrice = ["sale", "breaks", "prices", "groupPrices"].includes(field);
      return { ...item, pointless: assembled && (ofParts || (ofPrice && !ownPrice)) };
    });
  const optional = (text: string) => text || undefined;
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
        <Settables
          className={FIELDS}
          items={mattering([
            settable(under(at)("sale"), say("salePrice"), (path, label) => (
              <NotationField path={path} label={label} placeholder={say("none")} notation={sale} />
            )),
            settable(under(at)("breaks"), say("fromQuantityOn"), (path, label) => (
              <NotationField path={path} label={label} placeholder={say("none")} notation={breaks} />
            )),
            settable(under(at)("measure"), say("soldByMeasure"), (path, label) => (
              <NotationField path={path} label={label} placeholder={say("byThePiece")} notation={measure} />
            )),
            ...(product.kind === "donation"
              ? [
                  settable(under(at)("bounds"), say("buyerGives"), (path, label) => (
                    <NotationField path={path} label={label} notation={bounds} />
                  )),
                ]
              : []),
            ...(product.kind === "voucher"
              ? [
                  settable(under(at)("bounds"), say("buyerGives"), (path, label) => (
                    <NotationField path={path} label={label} notation={bounds} />
                  )),
                  settable(under(at)("validMonths"), say("validMonths"), (path, label) => (
                    <Field path={path} label={label} placeholder={say("usualFiveYears")} read={whole.read} optional />
                  )),
                  settable(under(at)("taxedAtSale"), say("voucherTaxed"), (path, label) => (
                    <Field
                      path={path}
                      label={label}
                      choices={[
                        { id: "no", name: say("whenUsed") },
                        { id: "yes", name: say("whenSold") },
                      ]}
                      {...yesNo}
                    />
                  )),
                ]
              : []),
            settable(under(at)("renews"), say("chargedAgainEvery"), (path, label) => (
              <NotationField path={path} label={label} placeholder={say("onceOnly")} notation={renewal} />
            )),
            ...shop.currencies.map((accepted) =>
              settable(
                under(at)("prices", accepted.code),
                say("priceInCurrency", { code: accepted.code }),
                (path, label) => <Field path={path} label={label} placeholder={say("converted")} optional />,
              ),
            ),
            ...(goods.buyerGroups.length > 0
              ? [
                  settable(under(at)("forGroups"), say("forGroupsOnly"), (path, label) => (
                    <IdsField path={path} label={label} things={goods.buyerGroups} empty={say("forEverybody")} />
                  )),
                ]
              : []),
            ...goods.buyerGroups.map((group) =>
              settable(under(at)("groupPrices", group.id), say("forNamed", { name: group.name }), (path, label) => (
                <Field
                  path={path}
                  label={label}
                  placeholder={
                    group.percentOff ? say("percentOff2", { percentOff: group.percentOff }) : say("shelfPrice")
                  }
                  optional
                />
              )),
            ),
          ])}
        />
      </Part>
      <Part title={say("whatItCostsYou")}>
        <div className={FIELDS}>
          <Field
            path={under(at)("cost")}
            label={say("costOfOne")}
            placeholder={say("costNotCounted")}
            note={say("costNote")}
            optional
          />
        </div>
      </Part>
      <Part title={say("inAGroup")}>
        <div className={FIELDS}>
          <Field
            path={under(at)("group")}
            label={say("groupField")}
            choices={groups}
            read={optional}
            note={groupNote(product, goods)}
          />
        </div>
        {physical && (
          <Settables
            className={FIELDS}
            items={[
              settable(under(at)("sending", "size"), say("sizePacked"), (path, label) => (
                <Field path={path} label={label} note={say("notationExample", { text: say("sizeExample") })} optional />
              )),
              settable(under(at)("sending", "alone"), say("travelsAlone"), (path, label) => (
                <Field path={path} label={label} choices={yesNoChoices} write={yesNo.write} read={yesNo.read} />
              )),
              settable(under(at)("sending", "preparation"), say("preparationWorkingDays"), (path, label) => (
                <Field path={path} label={label} placeholder={say("none")} {...whole} />
              )),
              settable(under(at)("sending", "own"), say("deliveryItsOwn"), (path, label) => (
                <NotationField path={path} label={label} placeholder={say("none")} notation={besideZones(product)} />
              )),
              ...zonesByProduct(delivery, product).map((zone) =>
                settable(
                  under(at)("sending", "own", "zones", zone.id),
                  say("deliveryItsOwnIn", { zone: zone.name }),
                  (path, label) => (
                    <NotationField path={path} label={label} placeholder={say("asElsewhere")} notation={own} />
                  ),
                ),
              ),
              ...(delivery.handling.length > 0
                ? [
                    settable(under(at)("sending", "handling"), say("handled"), (path, label) => (
                      <Field path={path} label={label} choices={handling} read={optional} />
                    )),
                  ]
                : []),
              ...(delivery.dispatch.length > 0
                ? [
                    settable(under(at)("sending", "from"), say("leavesFrom"), (path, label) => (
                      <Field path={path} label={label} choices={dispatch} read={optional} />
                    )),
                  ]
                : []),
              settable(under(at)("sending", "tariff"), say("tariffCode"), (path, label) => (
                <Field path={path} label={label} placeholder={say("none")} optional />
              )),
              settable(under(at)("sending", "origin"), say("made"), (path, label) => (
                <NamedField path={path} label={label} kind="country" optional />
              )),
            ]}
          />
        )}
      </Part>
      <Shown product={product} at={at} />
      {assembled ? (
        <Together product={product} at={at} />
      ) : (
        <>
          <ChoicesBoard product={product} at={at} />
          <Questions product={product} at={at} />
        </>
      )}
      {(!assembled || product.perUnit.length > 0) && <PerUnits product={product} at={at} />}
      {product.kind === "digital" && <ProductFiles product={product} />}
      {!assembled && <InStock product={product} />}
    </section>
  );
}

/** The zones that have a price by product, or that a pair is set for: only a product with a pair can have others. */
function zonesByProduct(delivery: Setup["delivery"], product: Product): Setup["delivery"]["zones"] {
  const pair = product.sending?.own;
  return pair
    ? delivery.zones.filter(
        (zone) => zone.id in pair.zones || Object.values(zone.rates).some((rate) => rate.basis.kind === "by-product"),
      )
    : [];
}

/** The pair for everywhere: what is set for single zones stays beside it. */
function besideZones(product: Product): Notation {
  const zones = product.sending?.own?.zones ?? {};
  const beside = (value: unknown) => (typeof value === "object" ? { ...value, zones } : value);
  return {
    ...own,
    read: (text) => beside(own.read(text)),
    ...(own.fields && { fields: { ...own.fields, value: (rows) => beside(own.fields?.value(rows)) } }),
  };
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
      <div>{children}</div>
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
