import { useRef, useState } from "react";
import { answer, api, type Problem, problemsOf, type StationChange } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { FilePicker } from "../../shared/FilePicker";
import { say } from "../../shared/say";

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
  const acts = useActs();
  const dialog = useRef<HTMLDialogElement>(null);
  const [file, setFile] = useState<File>();
  const [changes, setChanges] = useState<StationChange[]>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const sent = (picked: File) => ({
    params: { path: { shop } },
    body: picked as unknown as string,
    bodySerializer: (body: unknown) => body as Blob,
    headers: { "Content-Type": "application/octet-stream" },
  });
  const open = async (picked: File) => {
    setFile(picked);
    setChanges(undefined);
    setProblems([]);
    dialog.current?.showModal();
    await answer(api.POST("/api/shops/{shop}/draft/setup-file", sent(picked))).then(setChanges, (reason: unknown) =>
      setProblems(problemsOf(reason)),
    );
  };
  const take = async () => {
    if (!file) return;
    setBusy(true);
    await answer(api.PUT("/api/shops/{shop}/draft/setup-file", sent(file))).then(
      () => {
        acts.refresh();
        dialog.current?.close();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <>
      <span className="quiet">{say("wholeSetup")}</span>
      <a className="underline" href={`/api/shops/${shop}/draft/setup-file`} download>
        {say("file")}
      </a>
      <FilePicker
        text={say("fromFile")}
        label={say("setupFile")}
        accept=".json,application/json"
        take={(picked) => void open(picked)}
      />
      <FileLook
        dialog={dialog}
        file={file?.name}
        problems={problems}
        takes={changes && changes.length > 0 && problems.length === 0 ? say("take") : undefined}
        busy={busy}
        take={() => void take()}
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
