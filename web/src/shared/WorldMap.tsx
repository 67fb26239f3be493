import { geoEqualEarth, geoPath } from "d3-geo";
import { iso31661NumericToAlpha2 } from "iso-3166";
import { useMemo } from "react";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";
import atlas from "world-atlas/countries-110m.json";
import { countryName } from "./places";
import { type Shade, Shapes } from "./Shapes";

interface Props {
  label: string;
  shadeOf: (country: string) => Shade;
  pick?: (country: string) => void;
}

const WIDTH = 640;
const HEIGHT = 300;

/** The countries of the world, shaded; small ones are not on it and are typed. */
export default function WorldMap({ label, shadeOf, pick }: Props) {
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
    <Shapes
      label={label}
      width={WIDTH}
      height={HEIGHT}
      shapes={shapes}
      nameOf={countryName}
      shadeOf={shadeOf}
      {...(pick ? { pick } : {})}
    />
  );
}
