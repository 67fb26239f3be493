import type { ReactNode } from "react";
import { useBench } from "../../desk/bench";
import { endings } from "../../shared/endings";
import { Field } from "../../shared/Field";
import { Moves } from "../../shared/Moves";
import { words, yesNo, yesNoChoices } from "../../shared/notations";
import { idFrom } from "../../shared/paths";
import { dayText, volume } from "./notations";

/** One option: what the buyer reads, what it does not carry, what is charged on top. */
export function OptionFields({ id, close }: { id: string; close: () => void }) {
  const bench = useBench();
  const path = `delivery/options/${id}`;
  const { options, zones } = bench.setup.delivery;
  const option = options.find((each) => each.id === id);
  if (!option) return null;
  const remove = async () => {
    const rates = zones
      .filter((zone) => zone.rates[id])
      .map((zone) => ({ path: `delivery/zones/${zone.id}/rates/${id}`, was: zone.rates[id] }));
    if (await bench.commit([...rates, { path, was: option }])) close();
  };
  return (
    <section aria-label={`Option ${option.name}`}>
      <h2 className="mb-2">Option</h2>
      <div className="grid max-w-3xl grid-cols-[1fr_2fr_1fr] gap-x-6 gap-y-2">
        <Field path={`${path}/name`} label="Name" />
        <Field path={`${path}/sentence`} label="What the buyer reads under it" />
        <Field
          path={`${path}/days`}
          label="Working days"
          placeholder="2-4"
          write={dayText.write}
          read={dayText.read}
          optional
        />
      </div>
      <Fold title="What it carries">
        <Field path={`${path}/limits/weightTo`} label="Weight up to" placeholder="any, or 30 kg" optional />
        <Field path={`${path}/limits/longestTo`} label="Longest side up to" placeholder="any, or 120 cm" optional />
        <Field path={`${path}/limits/girthTo`} label="Length and girth up to" placeholder="any, or 300 cm" optional />
        <Field path={`${path}/limits/quantityTo`} label="Things up to" placeholder="any" optional />
        <Field path={`${path}/limits/valueFrom`} label="Goods from" placeholder="any" optional />
        <Field path={`${path}/limits/valueTo`} label="Goods up to" placeholder="any" optional />
        <Field path={`${path}/limits/only`} label="Only these groups" {...words} />
        <Field path={`${path}/limits/except`} label="Not these groups" {...words} />
        <Field path={`${path}/limits/weekdays`} label="Ordered on" placeholder="any day, or monday friday" {...words} />
      </Fold>
      <Fold title="What it charges on top">
        <Field path={`${path}/charges/percent`} label="Percent on top" placeholder="none" optional />
        <Field path={`${path}/charges/amount`} label="Amount on top" placeholder="none" optional />
        <Field path={`${path}/charges/fuel`} label="Fuel, percent of it all" placeholder="none" optional />
        <Field path={`${path}/charges/least`} label="Never less than" placeholder="any" optional />
        <Field path={`${path}/charges/most`} label="Never more than" placeholder="any" optional />
        <Field
          path={`${path}/charges/ending`}
          label="Brought to"
          choices={endings}
          read={(text) => text || undefined}
        />
        <Field
          path={`${path}/chargeable`}
          label="Weight by volume"
          placeholder="no, or 5000 cm3/kg by 0.5 kg"
          note="The larger of weight and volume ÷ divisor counts."
          {...volume}
        />
      </Fold>
      <Oversize path={path} surcharges={option.charges?.oversize ?? []} />
      <div className="mt-2 flex gap-2">
        <Moves path={path} things={options} of="option" />
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => void remove()}>
          Remove this option
        </button>
      </div>
    </section>
  );
}

/** Surcharges for parcels above a size or weight. */
function Oversize({ path, surcharges }: { path: string; surcharges: { id: string; name: string }[] }) {
  const bench = useBench();
  const add = () => {
    const id = idFrom(
      "oversize",
      surcharges.map((each) => each.id),
    );
    const now = { id, name: "Large parcel", longestOver: "120 cm", amount: "0", always: false };
    void bench.set(`${path}/charges/oversize`, [...surcharges, now]);
  };
  return (
    <Fold title="Large parcels">
      {surcharges.map((each) => {
        const at = `${path}/charges/oversize/${each.id}`;
        return (
          <div key={each.id} className="col-span-3 grid grid-cols-[1.5fr_1fr_1fr_1fr_1fr_1.2fr_auto] items-end gap-x-3">
            <Field path={`${at}/name`} label="Named" />
            <Field path={`${at}/longestOver`} label="Longer than" placeholder="any" optional />
            <Field path={`${at}/girthOver`} label="Girth over" placeholder="any" optional />
            <Field path={`${at}/weightOver`} label="Heavier than" placeholder="any" optional />
            <Field path={`${at}/amount`} label="Each costs" />
            <Field path={`${at}/always`} label="Even when free" choices={yesNoChoices} {...yesNo} />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${each.name}`}
              onClick={() => void bench.set(at, undefined)}
            >
              Remove
            </button>
          </div>
        );
      })}
      <button type="button" className="cursor-pointer justify-self-start underline" onClick={add}>
        Add a surcharge
      </button>
    </Fold>
  );
}

function Fold({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details className="mt-3 max-w-3xl border-t border-base-300 pt-2">
      <summary className="cursor-pointer">{title}</summary>
      <div className="mt-2 grid grid-cols-3 gap-x-6 gap-y-2">{children}</div>
    </details>
  );
}
