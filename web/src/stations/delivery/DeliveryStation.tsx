import { useEffect, useMemo, useState } from "react";
import { useActs, useBench, useSpotlight } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { dayText } from "../../shared/notation/delivery";
import { deskNotation, fromDesk, toDesk } from "../../shared/notation/rates";
import { usePlaceNames } from "../../shared/PlacesField";
import { idFrom, setupPath } from "../../shared/paths";
import { Sheet } from "../../shared/Sheet";
import { SheetFiles } from "../../shared/SheetFiles";
import { StationHead } from "../../shared/StationHead";
import { say } from "../../shared/say";
import { CarrierCosts } from "./CarrierCosts";
import { CellReading } from "./CellReading";
import { OptionFields } from "./OptionFields";
import { Sending } from "./Sending";
import { ZoneFields } from "./ZoneFields";

type Open = { kind: "cell" } | { kind: "zone"; id: string } | { kind: "option"; id: string };

/** The rate sheet: zones down, options across, each cell a short rule. */
export function DeliveryStation() {
  const bench = useBench();
  const places = usePlaceNames();
  const notation = useMemo(deskNotation, []);
  const textOf = (path: string) => toDesk(bench.draft.texts[path]?.text ?? "", notation);
  const spotlight = useSpotlight();
  const acts = useActs();
  const { zones, options } = bench.setup.delivery;
  const [open, setOpen] = useState<Open>({ kind: "cell" });

  useEffect(() => {
    const [station, list, id, part] = spotlight.wanted.split("/");
    if (station !== "delivery" || !id || part === "rates" || part === "costs") return;
    if (list === "zones") setOpen({ kind: "zone", id });
    if (list === "options") setOpen({ kind: "option", id });
  }, [spotlight.wanted]);

  // The cell that is edited stays in sight above what it says.
  useEffect(() => {
    if (open.kind === "cell" && spotlight.at) {
      document.querySelector(`main [data-path="${CSS.escape(spotlight.at)}"]`)?.scrollIntoView({ block: "nearest" });
    }
  }, [spotlight.at, open.kind]);

  const addZone = async (name: string) => {
    const id = idFrom(
      name,
      zones.map((zone) => zone.id),
    );
    if (
      await acts.set(setupPath("delivery", "zones", id), {
        id,
        name,
        places: [],
        except: [],
        rates: {},
        days: {},
        costs: {},
      })
    ) {
      setOpen({ kind: "zone", id });
    }
  };
  const addOption = async (name: string) => {
    const id = idFrom(
      name,
      options.map((option) => option.id),
    );
    if (await acts.set(setupPath("delivery", "options", id), { id, name, sentence: "" }))
      setOpen({ kind: "option", id });
  };
  return (
    <>
      <StationHead title={say("delivery")}>
        <span>{say("zoneAndOptionCount", { count: zones.length, count2: options.length })}</span>
        <AddNamed what={say("zone")} add={(name) => void addZone(name)} />
        <AddNamed what={say("option")} add={(name) => void addOption(name)} />
        <SheetFiles sheet="rates" />
      </StationHead>
      {zones.length === 0 || options.length === 0 ? (
        <p className="max-w-xl py-6 quiet">{say("zoneSetPlacesShareTheir")}</p>
      ) : (
        <Sheet
          label={say("rateSheet")}
          corner={say("headZone")}
          rows={zones.map((zone) => ({
            id: zone.id,
            name: zone.name,
            note: [
              places.summary(zone.places, zone.name),
              zone.except.length > 0 ? say("withoutPlaces", { join: places.summary(zone.except) }) : "",
            ]
              .filter(Boolean)
              .join(" "),
          }))}
          columns={options.map((option) => ({
            id: option.id,
            name: option.name,
            read: (text: string) => fromDesk(text, notation),
            note: option.days
              ? say("workingDaysOf", { days: dayText.write(option.days), to: option.days.to })
              : undefined,
          }))}
          pathOf={(row, column) => setupPath("delivery", "zones", row.id, "rates", column.id)}
          textOf={(row, column) => textOf(setupPath("delivery", "zones", row.id, "rates", column.id))}
          empty={say("notOffered")}
          suggest={(_, column) => [
            ...zones.map((zone) => textOf(setupPath("delivery", "zones", zone.id, "rates", column.id))),
            ...Object.values(bench.draft.texts).map((cell) => toDesk(cell.text, notation)),
          ]}
          openRow={(row) => setOpen({ kind: "zone", id: row.id })}
          openColumn={(column) => setOpen({ kind: "option", id: column.id })}
          onActive={() => setOpen({ kind: "cell" })}
        />
      )}
      <div className="detail">
        {open.kind === "cell" && zones.length > 0 && options.length > 0 && <CellReading />}
        {open.kind === "zone" && <ZoneFields id={open.id} close={() => setOpen({ kind: "cell" })} />}
        {open.kind === "option" && <OptionFields id={open.id} close={() => setOpen({ kind: "cell" })} />}
      </div>
      {zones.length > 0 && options.length > 0 && <CarrierCosts />}
      <Sending />
    </>
  );
}
