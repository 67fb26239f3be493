import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { ChipsField } from "./ChipsField";
import { countriesIn, type Named } from "./named";
import type { SetupPath } from "./paths";
import { deskLocale, say, sayCode } from "./say";

/** So many places stand by name under a zone. */
const SHOWN = 4;
const GROUPS = ["EU", "EURO", "EUROPE", "WORLD"] as const;

/** Regions by ISO 3166-2, of one country or of all; read when places are first shown. */
export function useRegions(country = ""): readonly Named[] {
  const { data } = useQuery({
    queryKey: ["regions"],
    queryFn: async () => {
      const { iso31662 } = await import("iso-3166");
      return iso31662.map(({ code, name }): Named => ({ id: code, name, also: [] }));
    },
    staleTime: Number.POSITIVE_INFINITY,
  });
  return useMemo(() => (data ?? []).filter((each) => each.id.startsWith(country)), [data, country]);
}

const groups = (): Named[] => GROUPS.map((id) => ({ id, name: sayCode("group", id), also: [] }));

/** Places by their names: groups, countries, regions, and postcodes of a country. */
export function usePlaceNames() {
  const regions = useRegions();
  const countries = useMemo(() => countriesIn(deskLocale()), []);
  return useMemo(() => {
    const all = [...groups(), ...countries, ...regions];
    const byId = new Map(all.map((each) => [each.id, each.name]));
    const nameOf = (place: string): string => {
      const [country, codes] = place.split(":");
      return codes
        ? say("postcodesOf", { country: byId.get(country ?? "") ?? country, codes: codes.replaceAll("..", "–") })
        : (byId.get(place) ?? place);
    };
    const few = (places: readonly string[]): string =>
      places.length > SHOWN
        ? say("placesAndMore", {
            names: places
              .slice(0, SHOWN - 1)
              .map(nameOf)
              .join(", "),
            count: places.length - SHOWN + 1,
          })
        : places.map(nameOf).join(", ");
    /** A few of them by name, and how many more there are; nothing where the thing they belong to says it already. */
    const summary = (places: readonly string[], already = ""): string => {
      const shown = few(places);
      return shown === already ? "" : shown;
    };
    return { all, nameOf, summary };
  }, [regions, countries]);
}

/** Places as chips of names, typed, pasted or clicked on a map; codes are understood too. */
export function PlacesField({
  path,
  label,
  note,
  empty = say("countryOrRegion"),
}: {
  path: SetupPath;
  label: string;
  note?: string | undefined;
  /** What stands there while no place does. */
  empty?: string;
}) {
  const { all, nameOf } = usePlaceNames();
  return <ChipsField path={path} label={label} note={note} names={all} nameOf={nameOf} empty={empty} />;
}
