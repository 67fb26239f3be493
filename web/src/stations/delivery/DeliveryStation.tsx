import { useEffect, useState } from "react";
import { useBench } from "../../desk/bench";
import { Field, places } from "../../shared/Field";
import { idFrom } from "../../shared/paths";
import { Sheet } from "../../shared/Sheet";
import { StationHead } from "../../shared/StationHead";
import { CellReading } from "./CellReading";

type Open = { kind: "cell" } | { kind: "zone"; id: string } | { kind: "option"; id: string };

const dayText = {
  write: (value: unknown) => {
    const days = value as { from: number; to: number } | undefined;
    return days ? (days.from === days.to ? `${days.from}` : `${days.from}-${days.to}`) : "";
  },
  read: (text: string) => {
    const days = /^\s*(\d{1,3})\s*(?:[-–]\s*(\d{1,3}))?\s*$/.exec(text);
    return days ? { from: Number(days[1]), to: Number(days[2] ?? days[1]) } : text.trim() === "" ? undefined : text;
  },
};

/** The rate sheet: zones down, options across, each cell a short rule. */
export function DeliveryStation() {
  const bench = useBench();
  const { zones, options } = bench.setup.delivery;
  const [open, setOpen] = useState<Open>({ kind: "cell" });

  useEffect(() => {
    const [station, list, id, part] = bench.wanted.split("/");
    if (station !== "delivery" || !id || part === "rates") return;
    if (list === "zones") setOpen({ kind: "zone", id });
    if (list === "options") setOpen({ kind: "option", id });
  }, [bench.wanted]);

  const addZone = async () => {
    const id = idFrom(
      "New zone",
      zones.map((zone) => zone.id),
    );
    if (await bench.set(`delivery/zones/${id}`, { id, name: "New zone", places: [], except: [], rates: {} })) {
      setOpen({ kind: "zone", id });
    }
  };
  const addOption = async () => {
    const id = idFrom(
      "New option",
      options.map((option) => option.id),
    );
    if (await bench.set(`delivery/options/${id}`, { id, name: "New option", sentence: "" }))
      setOpen({ kind: "option", id });
  };
  return (
    <>
      <StationHead title="Delivery">
        <span>
          {zones.length} zones, {options.length} options
        </span>
        <button type="button" className="cursor-pointer underline" onClick={() => void addZone()}>
          Add a zone
        </button>
        <button type="button" className="cursor-pointer underline" onClick={() => void addOption()}>
          Add an option
        </button>
      </StationHead>
      {zones.length === 0 || options.length === 0 ? (
        <p className="max-w-xl py-6 quiet">
          A zone is a set of places that share their prices, an option is a way of sending. Add one of each; the cell
          where they meet takes a price as short as 5.90.
        </p>
      ) : (
        <Sheet
          label="Rate sheet"
          corner="Zone"
          rows={zones.map((zone) => ({
            id: zone.id,
            name: zone.name,
            note: [zone.places.join(" "), zone.except.length > 0 ? `without ${zone.except.join(" ")}` : ""]
              .filter(Boolean)
              .join(" "),
          }))}
          columns={options.map((option) => ({
            id: option.id,
            name: option.name,
            note: option.days
              ? `${dayText.write(option.days)} working ${option.days.to === 1 ? "day" : "days"}`
              : undefined,
          }))}
          pathOf={(row, column) => `delivery/zones/${row.id}/rates/${column.id}`}
          textOf={(row, column) => bench.draft.texts[`delivery/zones/${row.id}/rates/${column.id}`]?.text ?? ""}
          empty="not offered"
          openRow={(row) => setOpen({ kind: "zone", id: row.id })}
          openColumn={(column) => setOpen({ kind: "option", id: column.id })}
          onActive={() => setOpen({ kind: "cell" })}
        />
      )}
      <div className="mt-4 border-t border-base-content pt-3">
        {open.kind === "cell" && zones.length > 0 && options.length > 0 && <CellReading />}
        {open.kind === "zone" && <ZoneFields id={open.id} close={() => setOpen({ kind: "cell" })} />}
        {open.kind === "option" && <OptionFields id={open.id} close={() => setOpen({ kind: "cell" })} />}
      </div>
    </>
  );
}

function ZoneFields({ id, close }: { id: string; close: () => void }) {
  const bench = useBench();
  const path = `delivery/zones/${id}`;
  const zone = bench.setup.delivery.zones.find((each) => each.id === id);
  if (!zone) return null;
  const remove = async () => {
    if (await bench.set(path, undefined)) close();
  };
  return (
    <section aria-label={`Zone ${zone.name}`}>
      <h2 className="mb-2">Zone</h2>
      <div className="grid max-w-3xl grid-cols-3 gap-x-6">
        <Field path={`${path}/name`} label="Name" />
        <Field
          path={`${path}/places`}
          label="Places"
          note="IE, US-NC, GB:BT, DE:10000..12999, EU"
          write={places.write}
          read={places.read}
        />
        <Field
          path={`${path}/except`}
          label="Without"
          note="They fall to the next wider zone."
          write={places.write}
          read={places.read}
        />
      </div>
      <button type="button" className="btn btn-ghost btn-sm mt-2" onClick={() => void remove()}>
        Remove this zone
      </button>
    </section>
  );
}

function OptionFields({ id, close }: { id: string; close: () => void }) {
  const bench = useBench();
  const path = `delivery/options/${id}`;
  const option = bench.setup.delivery.options.find((each) => each.id === id);
  if (!option) return null;
  const remove = async () => {
    const rates = bench.setup.delivery.zones
      .filter((zone) => zone.rates[id])
      .map((zone) => ({ path: `delivery/zones/${zone.id}/rates/${id}`, was: zone.rates[id] }));
    if (await bench.commit([...rates, { path, was: option }])) close();
  };
  return (
    <section aria-label={`Option ${option.name}`}>
      <h2 className="mb-2">Option</h2>
      <div className="grid max-w-3xl grid-cols-[1fr_2fr_1fr] gap-x-6">
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
      <button type="button" className="btn btn-ghost btn-sm mt-2" onClick={() => void remove()}>
        Remove this option
      </button>
    </section>
  );
}
