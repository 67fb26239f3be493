import { useEffect, useState } from "react";
import { useBench } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { counted } from "../../shared/counted";
import { idFrom } from "../../shared/paths";
import { Sheet } from "../../shared/Sheet";
import { SheetFiles } from "../../shared/SheetFiles";
import { StationHead } from "../../shared/StationHead";
import { CellReading } from "./CellReading";
import { dayText } from "./notations";
import { OptionFields } from "./OptionFields";
import { Sending } from "./Sending";
import { ZoneFields } from "./ZoneFields";

type Open = { kind: "cell" } | { kind: "zone"; id: string } | { kind: "option"; id: string };

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

  const addZone = async (name: string) => {
    const id = idFrom(
      name,
      zones.map((zone) => zone.id),
    );
    if (await bench.set(`delivery/zones/${id}`, { id, name, places: [], except: [], rates: {} })) {
      setOpen({ kind: "zone", id });
    }
  };
  const addOption = async (name: string) => {
    const id = idFrom(
      name,
      options.map((option) => option.id),
    );
    if (await bench.set(`delivery/options/${id}`, { id, name, sentence: "" })) setOpen({ kind: "option", id });
  };
  return (
    <>
      <StationHead title="Delivery">
        <span>
          {counted(zones.length, "zone")}, {counted(options.length, "option")}
        </span>
        <AddNamed what="a zone" add={(name) => void addZone(name)} />
        <AddNamed what="an option" add={(name) => void addOption(name)} />
        <SheetFiles sheet="rates" />
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
          suggest={(_, column) => [
            ...zones.map((zone) => bench.draft.texts[`delivery/zones/${zone.id}/rates/${column.id}`]?.text ?? ""),
            ...Object.values(bench.draft.texts).map((cell) => cell.text),
          ]}
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
      <Sending />
    </>
  );
}
