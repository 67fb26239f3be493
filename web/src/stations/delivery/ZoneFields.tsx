import { useBench } from "../../desk/bench";
import { Moves } from "../../shared/Moves";
import { PlaceFields } from "../../shared/PlaceFields";
import { ZoneMap } from "./ZoneMap";

/** One zone: its places, typed or clicked on the map. */
export function ZoneFields({ id, close }: { id: string; close: () => void }) {
  const bench = useBench();
  const path = `delivery/zones/${id}`;
  const { zones } = bench.setup.delivery;
  const zone = zones.find((each) => each.id === id);
  if (!zone) return null;
  const remove = async () => {
    if (await bench.set(path, undefined)) close();
  };
  return (
    <section aria-label={`Zone ${zone.name}`} className="grid gap-x-8 gap-y-3 xl:grid-cols-[1fr_1.2fr]">
      <div>
        <h2 className="mb-2">Zone</h2>
        <div className="grid gap-y-3">
          <PlaceFields path={path} without="They fall to the next wider zone." />
        </div>
        <div className="mt-2 flex gap-2">
          <Moves path={path} things={zones} of="zone" />
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => void remove()}>
            Remove this zone
          </button>
        </div>
      </div>
      <div>
        <ZoneMap id={id} />
      </div>
    </section>
  );
}
