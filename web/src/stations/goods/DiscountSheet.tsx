import { useEffect, useState } from "react";
import type { Setup } from "../../api/client";
import { useBench } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { whole, words, yesNo, yesNoChoices } from "../../shared/notations";
import { idFrom, valueAt } from "../../shared/paths";
import { type Column, Sheet } from "../../shared/Sheet";
import { windowText } from "../tax/TaxPlace";

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
  { id: "combines", name: "Combines", note: "with others", figures: false, choices: yesNoChoices, ...yesNo },
];

const shown = new Set(columns.map((column) => column.id));

/** When a discount applies, besides what the sheet has. */
function DiscountDetail({ id }: { id: string }) {
  const at = `discounts/rules/${id}`;
  const when = `${at}/conditions`;
  return (
    <section
      aria-label="When it applies"
      className="border-s-2 border-accent px-4 pt-2 pb-4 max-md:sticky max-md:start-0 max-md:w-[calc(100vw-2.75rem)]"
    >
      <div className="grid max-w-3xl grid-cols-2 gap-x-6 md:grid-cols-3 gap-y-2">
        <Field path={`${at}/name`} label="As the buyer reads it" />
        <Field path={`${when}/window`} label="Days" placeholder="2026-12-01 to 2026-12-24" {...windowText} />
        <Field path={`${when}/leastQuantity`} label="From things" placeholder="any" optional />
        <Field path={`${when}/categories`} label="Only goods of" placeholder="all" {...words} />
        <Field path={`${when}/except`} label="Not goods of" placeholder="none" {...words} />
        <Field path={`${when}/places`} label="Only to" placeholder="everywhere" {...words} />
        <Field path={`${when}/uses`} label="Uses in all" placeholder="any" {...whole} />
        <Field path={`${when}/usesPerBuyer`} label="Uses for one buyer" placeholder="any" {...whole} />
        <Field path={`${when}/firstOrder`} label="First order only" choices={yesNoChoices} {...yesNo} />
      </div>
    </section>
  );
}

type Rule = Setup["discounts"]["rules"][number];

/** What else decides, in a few words. */
function conditionsOf({ conditions }: Rule): string {
  return [
    conditions.window && windowText.write(conditions.window),
    conditions.leastQuantity && `from ${conditions.leastQuantity} things`,
    conditions.uses && `${conditions.uses} uses`,
    conditions.places.length > 0 && conditions.places.join(" "),
  ]
    .filter(Boolean)
    .join(" · ");
}

/** Discounts and codes, one a row. */
export function DiscountSheet() {
  const bench = useBench();
  const { rules } = bench.setup.discounts;
  const [unfolded, setUnfolded] = useState<string>();

  useEffect(() => {
    const [station, list, id, ...part] = bench.wanted.split("/");
    if (station === "discounts" && list === "rules" && id && !shown.has(part.join("/"))) setUnfolded(id);
  }, [bench.wanted]);

  const add = (name: string) => {
    const id = idFrom(
      name,
      rules.map((each) => each.id),
    );
    void bench
      .set(`discounts/rules/${id}`, {
        id,
        name,
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
        <AddNamed what="a discount" add={add} />
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
          rows={rules.map((rule) => ({ id: rule.id, name: rule.name, note: conditionsOf(rule) }))}
          columns={columns}
          openRow={(row) => setUnfolded(unfolded === row.id ? undefined : row.id)}
          unfold={(row) => row.id === unfolded && <DiscountDetail id={row.id} />}
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
