import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";

const reasons = [
  { id: "", name: say("comesBackAsEverythingElse") },
  { id: "made-to-measure", name: say("madeBuyersMeasure") },
  { id: "perishable", name: say("perishable") },
  { id: "sealed-for-hygiene", name: say("sealedForHygieneOnceOpened") },
  { id: "unsealed-recording", name: say("recordingOrSoftwareOnceUnsealed") },
  { id: "on-a-date", name: say("serviceForFixedDate") },
  { id: "download-begun", name: say("downloadOnceBegun") },
];

/** Groups of goods nobody withdraws from, and why. */
export function Exclusions() {
  const { setup } = useBench();
  if (setup.goods.groups.length === 0) return <p className="quiet">{say("exceptionsGoByGroupGoods")}</p>;
  return (
    <div className="grid max-w-4xl gap-x-8 gap-y-3 md:grid-cols-3">
      {setup.goods.groups.map((group) => (
        <Field
          key={group.id}
          path={setupPath("terms", "exceptions", group.id)}
          label={group.name}
          choices={reasons}
          read={(text) => text || undefined}
        />
      ))}
    </div>
  );
}
