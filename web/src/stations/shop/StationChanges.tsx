import type { StationChange } from "../../api/client";
import { say } from "../../shared/say";

export const stationNames: Record<string, string> = {
  shop: say("shop"),
  goods: say("goods"),
  discounts: say("discounts"),
  delivery: say("delivery"),
  tax: say("tax"),
  payment: say("payment"),
  pickup: say("pickup"),
  terms: say("terms"),
  rehearsal: say("sampleOrders"),
};

/** What taking a whole setup changes, station by station. */
export function StationChanges({ changes }: { changes: StationChange[] }) {
  return (
    <>
      <p className="my-2">{changes.length === 0 ? say("setupFileSame") : say("setupFileWhat")}</p>
      <ul>
        {changes.map(({ station, added, removed, changed, others }) => (
          <li key={station} className="flex gap-4 border-b border-base-300 py-1">
            <span className="w-32 font-semibold">{stationNames[station] ?? station}</span>
            <span>{say("stationChanges", { added, removed, changed, others: others ? "yes" : "no" })}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
