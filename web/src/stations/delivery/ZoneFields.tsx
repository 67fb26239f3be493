import { useActs, useBench } from "../../desk/bench";
import { PlaceFields } from "../../shared/PlaceFields";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { ZoneMap } from "./ZoneMap";

/** One zone: its places, typed or clicked on the map. */
export function ZoneFields({ id, close }: { id: string; close: () => void }) {
  const bench = useBench();
  const acts = useActs();
  const path = setupPath("delivery", "zones", id);
  const zone = bench.setup.delivery.zones.find((each) => each.id === id);
  if (!zone) return null;
  const remove = async () => {
    if (await acts.set(path, undefined)) close();
  };
  return (
    <section
      aria-label={say("zoneNamed", { name: zone.name })}
      className="grid gap-x-8 gap-y-3 xl:grid-cols-[1fr_1.2fr]"
    >
      <div>
        <h2 className="mb-2">{say("zoneHead")}</h2>
        <div className="grid gap-y-3">
          <PlaceFields path={path} without={say("theyFallNextWiderZone")} />
        </div>
        <button type="button" className="btn btn-ghost btn-sm mt-2" onClick={() => void remove()}>
          {say("removeThisZone")}
        </button>
      </div>
      <div>
        <ZoneMap id={id} />
      </div>
    </section>
  );
}
