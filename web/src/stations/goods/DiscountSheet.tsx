import { useEffect, useState } from "react";
import type { Setup } from "../../api/client";
import { useActs, useBench, useMarks, useSpotlight } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { IdsField, useGoodsKinds } from "../../shared/IdsField";
import { NotationField } from "../../shared/NotationField";
import { window } from "../../shared/notation/days";
import { whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { PlacesField } from "../../shared/PlacesField";
import { idFrom, setupPath, under, valueAt } from "../../shared/paths";
import { Settables, settable } from "../../shared/Settables";
import { type Column, Sheet } from "../../shared/Sheet";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { SingleUseCodes } from "./SingleUseCodes";

const asText = (value: unknown): string => (value === undefined || value === null ? "" : String(value));
const optional = (text: string) => text.trim() || undefined;

type Rule = Setup["discounts"]["rules"][number];
/** A field of a discount, or of what it depends on. */
type Id = keyof Rule | "leastValue";

interface DiscountColumn extends Column<Id> {
  write?: (value: unknown) => string;
}

const columns: DiscountColumn[] = [
  { id: "code", name: say("code"), note: say("emptyByItself"), read: optional },
  {
    id: "off",
    name: say("off"),
    figures: false,
    choices: [
      { id: "goods", name: say("ofGoods") },
      { id: "delivery", name: say("ofDelivery") },
    ],
  },
  { id: "percent", name: say("percent"), read: optional },
  { id: "amount", name: say("orAmount"), read: optional },
  { id: "leastValue", name: say("fromGoodsField"), read: optional },
  { id: "combines", name: say("combines"), note: say("withOthers"), figures: false, choices: yesNoChoices, ...yesNo },
];

const pathOf = (rule: string, column: Id) =>
  column === "leastValue"
    ? setupPath("discounts", "rules", rule, "conditions", column)
    : setupPath("discounts", "rules", rule, column);

/** When a discount applies, besides what the sheet has. */
function DiscountDetail({ id }: { id: string }) {
  const at = setupPath("discounts", "rules", id);
  const when = under(at)("conditions");
  const kinds = useGoodsKinds();
  const rule = useBench().setup.discounts.rules.find((each) => each.id === id);
  return (
    <section
      aria-label={say("whenApplies")}
      className="border-s-2 border-accent px-4 pt-2 pb-4 max-md:sticky max-md:start-0 max-md:w-[calc(100vw-2.75rem)]"
    >
      <div className="max-w-xs">
        <Field path={under(at)("name")} label={say("asBuyerReads")} />
      </div>
      <Settables
        className="mt-2 grid max-w-3xl grid-cols-2 gap-x-6 gap-y-2 md:grid-cols-3"
        items={[
          settable(under(when)("window"), say("daysField"), (path, label) => (
            <NotationField path={path} label={label} placeholder={say("always")} notation={window} />
          )),
          settable(under(when)("leastQuantity"), say("fromThings"), (path, label) => (
            <Field path={path} label={label} placeholder={say("any")} optional />
          )),
          settable(under(when)("categories"), say("onlyGoods"), (path, label) => (
            <IdsField path={path} label={label} things={kinds} empty={say("allOfThem")} />
          )),
          settable(under(when)("except"), say("notGoods"), (path, label) => (
            <IdsField path={path} label={label} things={kinds} empty={say("none")} />
          )),
          settable(under(when)("places"), say("only"), (path, label) => (
            <PlacesField path={path} label={label} empty={say("everywhere")} />
          )),
          settable(under(when)("uses"), say("usesAll"), (path, label) => (
            <Field path={path} label={label} placeholder={say("any")} {...whole} />
          )),
          settable(under(when)("usesPerBuyer"), say("usesForOneBuyer"), (path, label) => (
            <Field path={path} label={label} placeholder={say("any")} {...whole} />
          )),
          settable(under(when)("firstOrder"), say("firstOrderOnly"), (path, label) => (
            <Field path={path} label={label} choices={yesNoChoices} {...yesNo} />
          )),
        ]}
      />
      {rule?.code && <SingleUseCodes discount={id} />}
    </section>
  );
}

/** What else decides, in a few words. */
function conditionsOf({ conditions }: Rule): string {
  return [
    conditions.window && window.write(conditions.window),
    conditions.leastQuantity && say("fromSoMany", { leastQuantity: conditions.leastQuantity }),
    conditions.uses && say("uses", { count: conditions.uses }),
    conditions.places.length > 0 && conditions.places.join(" "),
  ]
    .filter(Boolean)
    .join(" · ");
}

/** Discounts and codes, one a row. */
export function DiscountSheet() {
  const bench = useBench();
  const spotlight = useSpotlight();
  const acts = useActs();
  const marks = useMarks();
  const { rules } = bench.setup.discounts;
  const [unfolded, setUnfolded] = useState<string>();

  useEffect(() => {
    const [station, list, id] = spotlight.wanted.split("/");
    const inSheet = id && columns.some((column) => pathOf(id, column.id) === spotlight.wanted);
    if (station === "discounts" && list === "rules" && id && !inSheet) setUnfolded(id);
  }, [spotlight.wanted]);

  const add = (name: string) => {
    const id = idFrom(
      name,
      rules.map((each) => each.id),
    );
    void acts
      .set(setupPath("discounts", "rules", id), {
        id,
        name,
        code: id.toUpperCase(),
        off: "goods",
        percent: "10",
        combines: true,
      })
      .then((made) => made && marks.goTo(setupPath("discounts", "rules", id, "code")));
  };
  const here = spotlight.at.startsWith("discounts/")
    ? rules.find((each) => each.id === spotlight.at.split("/")[2])
    : undefined;
  return (
    <section aria-label={say("discountsCodes")} className="mt-6">
      <div className="mb-1 flex items-baseline gap-4">
        <h2 className="text-base">{say("discountsCodes")}</h2>
        <AddNamed what={say("discount")} add={add} />
        {here && (
          <TextButton onClick={() => void acts.set(setupPath("discounts", "rules", here.id), undefined)}>
            {say("removeNamed", { name: here.name })}
          </TextButton>
        )}
      </div>
      {rules.length === 0 ? (
        <p className="quiet">{say("noneDiscountTakenByItself")}</p>
      ) : (
        <Sheet
          label={say("discounts")}
          corner={say("headDiscount")}
          rows={rules.map((rule) => ({ id: rule.id, name: rule.name, note: conditionsOf(rule) }))}
          columns={columns}
          openRow={(row) => setUnfolded(unfolded === row.id ? undefined : row.id)}
          unfold={(row) => row.id === unfolded && <DiscountDetail id={row.id} />}
          pathOf={(row, column) => pathOf(row.id, column.id)}
          textOf={(row, column) =>
            ((column as DiscountColumn).write ?? asText)(valueAt(bench.draft.document, pathOf(row.id, column.id)))
          }
        />
      )}
    </section>
  );
}
