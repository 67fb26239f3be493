import { useEffect, useRef, useState } from "react";
import { answer, api, type Problem, problemsOf, type SheetPreview } from "../api/client";
import { useActs, useBench } from "../desk/bench";
import { FileLook } from "./FileLook";
import { FilePicker } from "./FilePicker";
import { say } from "./say";

type Name = "goods" | "rates" | "taxes";

interface Opened {
  file: string;
  text: string;
  preview?: SheetPreview;
}

/** A sheet as a CSV file: out at once, in only after what it would change has been looked at. */
export function SheetFiles({ sheet }: { sheet: Name }) {
  const bench = useBench();
  const acts = useActs();
  const dialog = useRef<HTMLDialogElement>(null);
  const [opened, setOpened] = useState<Opened>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const [watch, setWatch] = useState("");
  const call = { params: { path: { shop: bench.shop, sheet } } };
  const sent = (text: string) => ({
    ...call,
    body: text,
    bodySerializer: (body: string) => body,
    headers: { "Content-Type": "text/csv" },
  });

  const open = async (file: File) => {
    const text = await file.text();
    setOpened({ file: file.name, text });
    setProblems([]);
    setBusy(true);
    dialog.current?.showModal();
    const key = crypto.randomUUID();
    setWatch(key);
    const watched = { ...sent(text), params: { ...call.params, query: { watch: key } } };
    await answer(api.POST("/api/shops/{shop}/draft/files/{sheet}", watched)).then(
      (preview) => setOpened({ file: file.name, text, preview }),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  const take = async () => {
    if (!opened) return;
    setBusy(true);
    const taken = await answer(api.PUT("/api/shops/{shop}/draft/files/{sheet}", sent(opened.text))).catch(
      (reason: unknown) => {
        setProblems(problemsOf(reason));
        return null;
      },
    );
    setBusy(false);
    if (!taken) return;
    acts.refresh();
    dialog.current?.close();
  };
  const preview = opened?.preview;
  const nothing = preview && preview.changed === 0 && preview.addedCount === 0;
  return (
    <>
      <a className="underline" href={`/api/shops/${bench.shop}/draft/files/${sheet}`} download>
        {say("file")}
      </a>
      <FilePicker
        text={say("fromFile")}
        label={say("csvFile")}
        accept=".csv,text/csv"
        take={(file) => void open(file)}
      />
      <FileLook
        dialog={dialog}
        file={opened?.file}
        problems={problems}
        takes={preview && !nothing ? (preview.bad.length > 0 ? say("takeGoodRows") : say("take")) : undefined}
        busy={busy}
        take={() => void take()}
      >
        {busy && <Progress shop={bench.shop} watch={preview ? "" : watch} />}
        {preview && <Changes preview={preview} />}
      </FileLook>
    </>
  );
}

const LOOK_EVERY = 250;

/** How far looking at the file is, with a way to stop it. */
function Progress({ shop, watch }: { shop: string; watch: string }) {
  const [progress, setProgress] = useState({ done: 0, rows: 0 });
  const call = { params: { path: { shop, watch } } };
  const path = JSON.stringify(call);
  useEffect(() => {
    if (!watch) return;
    const timer = setInterval(() => {
      void api
        .GET("/api/shops/{shop}/draft/files/watched/{watch}", JSON.parse(path) as typeof call)
        .then(({ data }) => data && setProgress(data));
    }, LOOK_EVERY);
    return () => clearInterval(timer);
  }, [watch, path]);
  const percent = progress.rows > 0 ? Math.floor((100 * progress.done) / progress.rows) : undefined;
  return (
    <div className="my-3 flex items-center gap-4">
      <progress
        className="progress progress-accent flex-1"
        aria-label={say("lookingAtFile")}
        {...(percent === undefined ? {} : { value: percent, max: 100 })}
      />
      {percent !== undefined && (
        <span className="figure w-44 text-end text-sm">
          {say("percentOfRows", { percent, rows: rows(progress.rows) })}
        </span>
      )}
      {watch && (
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => void api.DELETE("/api/shops/{shop}/draft/files/watched/{watch}", call)}
        >
          {say("stop")}
        </button>
      )}
    </div>
  );
}

const rows = (n: number): string => say("rowCount", { n });

function Changes({ preview }: { preview: SheetPreview }) {
  return (
    <>
      <p className="mt-2">
        {say("readNewChanged", { rows: rows(preview.rows), addedCount: preview.addedCount, changed: preview.changed })}{" "}
        <span className={preview.bad.length > 0 ? "font-semibold text-error" : ""}>
          {say("cannotBeTaken", { count: preview.bad.length })}
        </span>
        {say("nothingWrittenYetRowsAre")}
      </p>
      {preview.bad.length > 0 && (
        <ul className="mt-3 max-h-48 overflow-y-auto border-s-2 border-error ps-3" aria-label={say("badRows")}>
          {preview.bad.map((bad) => (
            <li key={`${bad.line} ${bad.column}`}>
              {say("line", {
                line: bad.line,
                code: bad.code && `, ${bad.code}`,
                column: bad.column && `, ${bad.column}`,
                sentence: bad.sentence,
              })}{" "}
              <span className="quiet">{bad.remedy}</span>
            </li>
          ))}
        </ul>
      )}
      {preview.added.length > 0 && (
        <p className="mt-3">
          {say("new", {
            join: preview.added.slice(0, 12).join(", "),
            addedCount: preview.addedCount > 12 && say("addedMore", { addedCount: preview.addedCount - 12 }),
          })}
        </p>
      )}
      {preview.changes.length > 0 && (
        <table className="mt-3 block max-h-64 w-full overflow-y-auto">
          <thead className="text-start text-xs">
            <tr>
              <th className="pe-4 text-start">{say("row")}</th>
              <th className="pe-4 text-start">{say("column")}</th>
              <th className="pe-4 text-start">{say("was")}</th>
              <th className="text-start">{say("willBe")}</th>
            </tr>
          </thead>
          <tbody>
            {preview.changes.map((change) => (
              <tr key={`${change.code} ${change.column}`} className="border-t border-base-300">
                <td className="pe-4">{change.name}</td>
                <td className="pe-4">{change.column}</td>
                <td className="was pe-4 font-mono">{change.was}</td>
                <td className="font-mono">{change.now}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
