import type { Setup } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { NotationField } from "../../shared/NotationField";
import { window } from "../../shared/notation/days";
import { PlaceFields } from "../../shared/PlaceFields";
import { setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";

type Row = Setup["tax"]["places"][number];

/** How delivery is taxed, as one choice: three ways, or a category of its own. */
const deliveryTax = {
  choices: (categories: Setup["tax"]["categories"]) => [
    { id: "like-goods", name: say("likeGoodsCarries") },
    { id: "highest-rate", name: say("atHighestRateGoods") },
    { id: "not-taxed", name: say("notTaxed") },
    ...categories.map((category) => ({ id: `own-category ${category.id}`, name: say("as", { name: category.name }) })),
  ],
  write: (value: unknown) => {
    const tax = value as Row["delivery"];
    return tax ? [tax.way, tax.category].filter(Boolean).join(" ") : "like-goods";
  },
  read: (text: string) => {
    const [way, category] = text.split(" ");
    return way === "like-goods" ? undefined : { way, ...(category ? { category } : {}) };
  },
};

const roundings = [
  { id: "component", name: say("eachComponentOnce") },
  { id: "sum", name: say("sumComponentsOnce") },
  { id: "line", name: say("lineByLine") },
];

/** One row of the tax book besides its rates: where it holds, when, and how. */
export function TaxPlace({ row, done }: { row: Row; done: () => void }) {
  const bench = useBench();
  const acts = useActs();
  const at = setupPath("tax", "places", row.id);
  return (
    <section aria-label={say("placeNamed", { name: row.name })}>
      {row.toConfirm && (
        <p className="mb-3 flex items-baseline gap-3">
          <span>{say("filledFromReferenceAsCompare", { toConfirm: row.toConfirm })}</span>
          <button type="button" className="btn btn-sm" onClick={() => void acts.set(under(at)("toConfirm"), undefined)}>
            {say("confirmNamed", { name: row.name })}
          </button>
        </p>
      )}
      <div className="grid max-w-3xl grid-cols-3 gap-x-6 gap-y-3">
        <PlaceFields path={at} />
        <Field
          path={under(at)("delivery")}
          label={say("deliveryTaxed")}
          choices={deliveryTax.choices(bench.setup.tax.categories)}
          write={deliveryTax.write}
          read={deliveryTax.read}
        />
        <NotationField
          path={under(at)("valid")}
          label={say("holdsFromDayDay")}
          placeholder={say("always")}
          notation={window}
        />
        <Field
          path={under(at)("rounding")}
          label={say("taxRounded")}
          choices={roundings}
          write={(value) => (typeof value === "string" ? value : "component")}
          read={(text) => (text === "component" ? undefined : text)}
        />
        <Field
          path={under(at)("authority")}
          label={say("leviedBy")}
          placeholder={row.places[0]?.split(":")[0] ?? ""}
          note={say("whoseRegistrationCovers")}
          optional
        />
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-sm mt-2"
        onClick={() => void acts.set(at, undefined).then((gone) => gone && done())}
      >
        {say("removeThisPlace")}
      </button>
    </section>
  );
}
