import { geoAlbersUsa, geoPath } from "d3-geo";
import { useMemo } from "react";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";
import atlas from "us-atlas/states-10m.json";
import { useRegions } from "../../shared/PlacesField";
import { type Shade, Shapes } from "../../shared/Shapes";

const WIDTH = 640;
const HEIGHT = 380;

interface Props {
  label: string;
  shadeOf: (region: string) => Shade;
  pick: (region: string) => void;
}

/** The states of the United States, found by their names among the regions of ISO 3166-2; elsewhere there is no map. */
export default function RegionMap({ label, shadeOf, pick }: Props) {
  const regions = useRegions("US-");
  const shapes = useMemo(() => {
    const topology = atlas as unknown as Topology<{ states: GeometryCollection<{ name: string }> }>;
    const states = feature(topology, topology.objects.states);
    const path = geoPath(geoAlbersUsa().fitSize([WIDTH, HEIGHT], states));
    return states.features.flatMap((state) => {
      const code = regions.find(({ name }) => name === state.properties.name)?.id;
      const d = path(state);
      return code && d ? [{ code, d }] : [];
    });
  }, [regions]);
  const nameOf = (code: string) => regions.find(({ id }) => id === code)?.name ?? code;
  return (
    <Shapes label={label} width={WIDTH} height={HEIGHT} shapes={shapes} nameOf={nameOf} shadeOf={shadeOf} pick={pick} />
  );
}
