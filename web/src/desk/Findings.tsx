import { type FormEvent, type RefObject, useState } from "react";
import type { Finding } from "../api/client";
import { editOf, idFrom, setupPath } from "../shared/paths";
import { say, sayCode } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { useActs, useBench, useMarks } from "./bench";

/** Findings of one cause, as many as there are. */
export interface Cause {
  id: string;
  severity: Finding["severity"];
  findings: Finding[];
}

/** Findings by what they are about, what blocks opening first, then in their own order. */
export function causesOf(findings: readonly Finding[]): Cause[] {
  const causes = new Map<string, Cause>();
  for (const finding of findings) {
    const key = `${finding.severity} ${finding.id}`;
    const known = causes.get(key);
    if (known) known.findings.push(finding);
    else causes.set(key, { id: finding.id, severity: finding.severity, findings: [finding] });
  }
  const order: Finding["severity"][] = ["blocks-opening", "look-at-this", "note", "meant"];
  return [...causes.values()].sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
}

/** All that is missing or strange, one line a cause; each leads to its field. */
export function Findings({ dialog }: { dialog: RefObject<HTMLDialogElement | null> }) {
  const bench = useBench();
  const marks = useMarks();
  const causes = causesOf(bench.draft.findings);
  const go = (path: string) => {
    dialog.current?.close();
    marks.goTo(path);
  };
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="findings">
      <div className="modal-box max-w-3xl">
        <h2 id="findings" className="text-xl">
          {say("allFindings")}
        </h2>
        {causes.length === 0 && <p className="mt-2 quiet">{say("nothingMissingAtTheseStations")}</p>}
        <ul className="mt-2">
          {causes.map((cause) => (
            <li key={`${cause.severity} ${cause.id}`} className="border-t border-base-300 py-2">
              <span
                className={`me-2 text-xs font-semibold ${cause.severity === "blocks-opening" ? "text-error" : cause.severity === "look-at-this" ? "text-warning" : "quiet"}`}
              >
                {sayCode("severity", cause.severity)}
              </span>
              <One finding={cause.findings[0] as Finding} go={go} /> <Meaning cause={cause} />
              {cause.findings.length > 1 && (
                <details className="mt-1">
                  <summary className="cursor-pointer text-sm quiet">
                    {say("alikeBesides", { count: cause.findings.length - 1 })}
                  </summary>
                  <ul className="ms-4">
                    {cause.findings.slice(1).map((finding) => (
                      <li key={finding.path + finding.sentence} className="py-1">
                        <One finding={finding} go={go} />
                      </li>
                    ))}
                  </ul>
                </details>
              )}
            </li>
          ))}
        </ul>
        <form method="dialog" className="modal-action">
          <button type="submit" className="btn btn-ghost">
            {say("close")}
          </button>
        </form>
      </div>
    </dialog>
  );
}

/** Says of all findings of a cause that they are meant so, with a reason that is kept; or takes it back. */
function Meaning({ cause }: { cause: Cause }) {
  const bench = useBench();
  const acts = useActs();
  const [asked, setAsked] = useState(false);
  const { document } = bench.draft;
  if (cause.severity === "meant") {
    const fields = new Set(cause.findings.map((finding) => finding.path));
    const kept = bench.setup.rehearsal.meant.filter((each) => each.finding === cause.id && fields.has(each.path));
    const back = () =>
      acts.commit(kept.map((each) => editOf(document, setupPath("rehearsal", "meant", each.id), undefined)));
    return <TextButton onClick={() => void back()}>{say("lookAtItAgain")}</TextButton>;
  }
  if (cause.severity !== "look-at-this") return null;
  if (!asked) return <TextButton onClick={() => setAsked(true)}>{say("iMeanIt")}</TextButton>;
  const keep = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const reason = String(new FormData(event.currentTarget).get("reason")).trim();
    // Several may be found at one field: it is meant once.
    const fields = [...new Set(cause.findings.map((finding) => finding.path))];
    void acts.commit(
      fields.map((path) => {
        const id = idFrom(`${cause.id} ${path}`, []);
        return editOf(document, setupPath("rehearsal", "meant", id), { id, finding: cause.id, path, reason });
      }),
    );
  };
  return (
    <form className="mt-1 flex items-baseline gap-2" onSubmit={keep}>
      <input
        name="reason"
        className="inplace min-w-0 flex-1"
        aria-label={say("whyMeant")}
        placeholder={say("whyMeant")}
        maxLength={300}
        autoFocus
      />
      <button type="submit" className="btn btn-sm">
        {say("iMeanIt")}
      </button>
    </form>
  );
}

function One({ finding, go }: { finding: Finding; go: (path: string) => void }) {
  return (
    <>
      {finding.sentence} <span className="quiet">{finding.remedy}</span>{" "}
      <TextButton onClick={() => go(finding.path)}>{say("goThere")}</TextButton>
    </>
  );
}
