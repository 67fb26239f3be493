import { lazy, Suspense } from "react";
import { useActs, useBench } from "../../desk/bench";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { useCountries } from "../../shared/useCountries";

const WorldMap = lazy(() => import("../../shared/WorldMap"));

/** Which countries the zone open holds, which others hold, and where nothing delivers or two zones overlap. */
export function ZoneMap({ id }: { id: string }) {
  const bench = useBench();
  const acts = useActs();
  const held = useCountries();
  const { zones } = bench.setup.delivery;
  const zone = zones.find((each) => each.id === id);
  const nameOf = (other: string | null | undefined): string => zones.find((each) => each.id === other)?.name ?? "";
  if (!zone) return null;
  const pick = (country: string) => {
    const next = zone.places.includes(country)
      ? zone.places.filter((place: string) => place !== country)
      : [...zone.places, country];
    void acts.set(setupPath("delivery", "zones", id, "places"), next.join(" "));
  };
  const all = [...held.values()];
  const holes = all.filter((each) => each.sold && !each.zone).length;
  const overlaps = all.filter((each) => each.tied.length > 0).length;
  return (
    <>
      <Suspense fallback={<p className="py-10 text-center quiet">{say("unfoldingMap")}</p>}>
        <WorldMap
          label={say("copperOtherZonesAreGrey", { name: zone.name })}
          pick={pick}
          shadeOf={(country) => {
            const here = held.get(country);
            if (here && here.tied.length > 0)
              return {
                fill: "var(--color-error)",
                says: say("bothHold", { join: [here.zone, ...here.tied].map(nameOf).join(" and ") }),
              };
            if (here?.zone === id) return { fill: "var(--color-accent)", says: zone.name };
            if (here?.zone) return { fill: "var(--color-neutral)", says: nameOf(here.zone) };
            if (here?.sold)
              return {
                fill: "var(--color-base-100)",
                stroke: "var(--color-warning)",
                dashed: true,
                says: say("soldButNoZoneHolds"),
              };
            return { fill: "var(--color-secondary)", says: say("notSold") };
          }}
        />
      </Suspense>
      <p className="text-xs">
        {say("clickAddsCountryOrTakes", {
          overlaps:
            overlaps === 0
              ? say("noOverlaps")
              : overlaps === 1
                ? say("oneOverlap")
                : say("countriesLieTwoZones", { overlaps }),
          holes: holes === 0 ? say("noHolesAmongCountriesSold") : say("countriesSoldHaveNoZone", { holes }),
          name: zone.name,
        })}
      </p>
    </>
  );
}
