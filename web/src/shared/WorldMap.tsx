import { geoEqualEarth, geoPath } from "d3-geo";
import { iso31661NumericToAlpha2 } from "iso-3166";
import { useMemo, useState } from "react";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";
import atlas from "world-atlas/countries-110m.json";
import { countryName } from "./places";

export interface Shade {
  fill: string;
  stroke?: string;
  dashed?: boolean;
  /** Said under the map while the country is pointed at. */
  says: string;
}

interface Props {
  label: string;
  shadeOf: (country: string) => Shade;
  pick?: (country: string) => void;
}

const WIDTH = 640;
const HEIGHT = 300;

/** The countries of the world, shaded; small ones are not on it and are typed. */
export default function WorldMap({ label, shadeOf, pick }: Props) {
  const [at, setAt] = useState<string>();
  const shapes = useMemo(() => {
    const topology = atlas as unknown as Topology<{ countries: GeometryCollection }>;
    const world = feature(topology, topology.objects.countries);
    const path = geoPath(geoEqualEarth().fitSize([WIDTH, HEIGHT], world));
    return world.features.flatMap((country) => {
      const code = iso31661NumericToAlpha2[String(country.id) as keyof typeof iso31661NumericToAlpha2];
      return code ? [{ code, d: path(country) ?? "" }] : [];
    });
  }, []);
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={label}>
        {shapes.map(({ code, d }) => {
          const shade = shadeOf(code);
          return (
            // biome-ignore lint/a11y/noStaticElementInteractions: the same is typed in the field beside the map
            <path
              key={code}
              d={d}
              data-country={code}
              fill={shade.fill}
              stroke={shade.stroke ?? "var(--color-base-100)"}
              strokeWidth={shade.stroke ? 1.4 : 0.5}
              strokeDasharray={shade.dashed ? "3 2" : undefined}
              className={pick ? "cursor-pointer" : undefined}
              onMouseEnter={() => setAt(code)}
              onMouseLeave={() => setAt(undefined)}
              onClick={() => pick?.(code)}
            />
          );
        })}
      </svg>
      <figcaption className="min-h-5 text-xs quiet">
        {at ? `${countryName(at)}: ${shadeOf(at).says}` : label}
      </figcaption>
    </figure>
  );
}
