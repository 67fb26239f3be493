import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";

const reasons = [
  { id: "", name: "comes back as everything else" },
  { id: "made-to-measure", name: "made to the buyer's measure" },
  { id: "perishable", name: "perishable" },
  { id: "sealed-for-hygiene", name: "sealed for hygiene, once opened" },
  { id: "unsealed-recording", name: "a recording or software, once unsealed" },
  { id: "on-a-date", name: "a service for a fixed date" },
  { id: "download-begun", name: "a download, once begun" },
];

/** Groups of goods nobody withdraws from, and why. */
export function Exclusions() {
  const { setup } = useBench();
  if (setup.goods.groups.length === 0)
    return <p className="quiet">Exceptions go by group of goods, and there is none yet. Add one at Goods.</p>;
  return (
    <div className="grid max-w-4xl gap-x-8 gap-y-3 md:grid-cols-3">
      {setup.goods.groups.map((group) => (
        <Field
          key={group.id}
          path={`terms/exceptions/${group.id}`}
          label={group.name}
          choices={reasons}
          read={(text) => text || undefined}
        />
      ))}
    </div>
  );
}
