import { useMemo } from "react";
import { useBench, useSpotlight } from "../../desk/bench";
import { Fold } from "../../shared/Fold";
import { deskNotation, fromDesk, toDesk } from "../../shared/notation/rates";
import { setupPath } from "../../shared/paths";
import { Sheet } from "../../shared/Sheet";
import { say } from "../../shared/say";

/** What carriers ask of the seller, zone by zone: in no price, but in what is kept. */
export function CarrierCosts() {
  const { setup, draft } = useBench();
  const spotlight = useSpotlight();
  const notation = useMemo(deskNotation, []);
  const { zones, options } = setup.delivery;
  const textOf = (path: string) => toDesk(draft.texts[path]?.text ?? "", notation);
  return (
    <Fold
      title={say("carrierCosts")}
      note={say("carrierCostsNote")}
      open={
        /^delivery\/zones\/[^/]+\/costs/.test(spotlight.wanted) ||
        zones.some((zone) => Object.keys(zone.costs).length > 0)
      }
    >
      <Sheet
        label={say("carrierCosts")}
        corner={say("headZone")}
        rows={zones.map((zone) => ({ id: zone.id, name: zone.name }))}
        columns={options.map((option) => ({
          id: option.id,
          name: option.name,
          read: (text: string) => fromDesk(text, notation),
        }))}
        pathOf={(row, column) => setupPath("delivery", "zones", row.id, "costs", column.id)}
        textOf={(row, column) => textOf(setupPath("delivery", "zones", row.id, "costs", column.id))}
        empty={say("costNotCounted")}
        suggest={(_, column) =>
          zones.map((zone) => textOf(setupPath("delivery", "zones", zone.id, "costs", column.id)))
        }
      />
    </Fold>
  );
}
