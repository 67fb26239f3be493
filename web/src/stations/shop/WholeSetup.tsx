import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { FilePicker } from "../../shared/FilePicker";
import { say } from "../../shared/say";
import { fileBody, useFileLook } from "../../shared/useFileLook";

const stations: Record<string, string> = {
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

/** The whole setup as a file: out as it stands, in after a look at what it changes. */
export function WholeSetup() {
  const { shop } = useBench();
  const {
    open,
    look: changes,
    shown,
  } = useFileLook(
    (file) => answer(api.POST("/api/shops/{shop}/draft/setup-file", { params: { path: { shop } }, ...fileBody(file) })),
    (file) => answer(api.PUT("/api/shops/{shop}/draft/setup-file", { params: { path: { shop } }, ...fileBody(file) })),
  );
  return (
    <>
      <span className="quiet">{say("wholeSetup")}</span>
      <a className="underline" href={`/api/shops/${shop}/draft/setup-file`} download>
        {say("file")}
      </a>
      <FilePicker text={say("fromFile")} label={say("setupFile")} accept=".json,application/json" take={open} />
      <FileLook
        {...shown}
        takes={changes && changes.length > 0 && shown.problems.length === 0 ? say("take") : undefined}
      >
        {changes && (
          <>
            <p className="my-2">{changes.length === 0 ? say("setupFileSame") : say("setupFileWhat")}</p>
            <ul>
              {changes.map(({ station, added, removed, changed, others }) => (
                <li key={station} className="flex gap-4 border-b border-base-300 py-1">
                  <span className="w-32 font-semibold">{stations[station] ?? station}</span>
                  <span>{say("stationChanges", { added, removed, changed, others: others ? "yes" : "no" })}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </FileLook>
    </>
  );
}
