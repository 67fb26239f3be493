import { useBench } from "../../desk/bench";
import { idFrom, valueAt } from "../../shared/paths";
import { type Column, Sheet } from "../../shared/Sheet";
import { windowText } from "../tax/TaxPlace";
import { whole, words, yesNo, yesNoChoices } from "./notations";

const asText = (value: unknown): string => (value === undefined || value === null ? "" : String(value));
const optional = (text: string) => text.trim() || undefined;

interface DiscountColumn extends Column {
  write?: (value: unknown) => string;
}

const columns: DiscountColumn[] = [
  { id: "code", name: "Code", note: "empty: by itself", read: optional },
  {
    id: "off",
    name: "Off",
    figures: false,
    choices: [
      { id: "goods", name: "goods" },
      { id: "delivery", name: "delivery" },
    ],
  },
  { id: "percent", name: "Percent", read: optional },
  { id: "amount", name: "or amount", read: optional },
  { id: "conditions/leastValue", name: "From goods of", read: optional },
  { id: "conditions/leastQuantity", name: "From things", read: optional },
  { id: "conditions/categories", name: "Only", note: "groups", ...words },
  { id: "conditions/except", name: "Not", note: "groups", ...words },
  { id: "conditions/window", name: "Days", note: "2026-12-01 to …", ...windowText },
  { id: "conditions/uses", name: "Uses", note: "in all", ...whole },
  { id: "conditions/usesPerBuyer", name: "A buyer", note: "each", ...whole },
  { id: "combines", name: "Combines", figures: false, choices: yesNoChoices, ...yesNo },
];

/** Discounts and codes, one a row. */
export function DiscountSheet() {
  const bench = useBench();
  const { rules } = bench.setup.discounts;
  const add = () => {
    const id = idFrom(
      "discount",
      rules.map((each) => each.id),
    );
    void bench
      .set(`discounts/rules/${id}`, {
        id,
        name: "New discount",
        code: id.toUpperCase(),
        off: "goods",
        percent: "10",
        combines: true,
      })
      .then((made) => made && bench.goTo(`discounts/rules/${id}/code`));
  };
  const here = bench.at.startsWith("discounts/") ? rules.find((each) => each.id === bench.at.split("/")[2]) : undefined;
  return (
    <section aria-label="Discounts and codes" className="mt-6">
      <div className="mb-1 flex items-baseline gap-4">
        <h2 className="text-base">Discounts and codes</h2>
        <button type="button" className="cursor-pointer underline" onClick={add}>
          Add a discount
        </button>
        {here && (
          <button
            type="button"
            className="cursor-pointer underline"
            onClick={() => void bench.set(`discounts/rules/${here.id}`, undefined)}
          >
            Remove {here.name}
          </button>
        )}
      </div>
      {rules.length === 0 ? (
        <p className="quiet">None. A discount is taken by itself, or with a code the buyer types.</p>
      ) : (
        <Sheet
          label="Discounts"
          corner="Discount"
          rows={rules.map((rule) => ({ id: rule.id, name: rule.name }))}
          columns={columns}
          pathOf={(row, column) => `discounts/rules/${row.id}/${column.id}`}
          textOf={(row, column) =>
            ((column as DiscountColumn).write ?? asText)(
              valueAt(bench.draft.document, `discounts/rules/${row.id}/${column.id}`),
            )
          }
        />
      )}
    </section>
  );
}
