import { useRef, useState } from "react";
import { answer, api, type GoodsLook, type Problem, problemsOf } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { FilePicker } from "../../shared/FilePicker";
import { say } from "../../shared/say";
import { fileBody } from "../../shared/useFileLook";

type Meaning = GoodsLook["columns"][number]["meaning"];

const meanings: { id: Meaning; name: string }[] = [
  { id: "nothing", name: say("meansNothing") },
  { id: "code", name: say("meansCode") },
  { id: "name", name: say("meansName") },
  { id: "sentence", name: say("meansSentence") },
  { id: "price", name: say("meansPrice") },
  { id: "cost", name: say("meansCost") },
  { id: "sale-price", name: say("meansSalePrice") },
  { id: "sale-from", name: say("meansSaleFrom") },
  { id: "sale-to", name: say("meansSaleTo") },
  { id: "weight", name: say("meansWeight") },
  { id: "stock", name: say("meansStock") },
  { id: "group", name: say("meansGroup") },
  { id: "belongs-to", name: say("meansBelongsTo") },
  { id: "option", name: say("meansOption") },
  { id: "options", name: say("meansOptions") },
];

interface Opened {
  file: File;
  look?: GoodsLook;
}

/** A goods file from elsewhere: what its columns hold is guessed, corrected by the seller, looked at, and taken in. */
export function MovingIn() {
  const { shop } = useBench();
  const acts = useActs();
  const dialog = useRef<HTMLDialogElement>(null);
  const [opened, setOpened] = useState<Opened>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const sent = (file: File, means: Meaning[]) => ({
    params: { path: { shop }, query: means.length > 0 ? { means } : {} },
    ...fileBody(file),
  });
  const look = async (file: File, means: Meaning[]) => {
    setBusy(true);
    setProblems([]);
    await answer(api.POST("/api/shops/{shop}/draft/files/moving", sent(file, means))).then(
      (seen) => setOpened({ file, look: seen }),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  const open = (file: File) => {
    setOpened({ file });
    dialog.current?.showModal();
    void look(file, []);
  };
  const take = async () => {
    if (!opened?.look) return;
    setBusy(true);
    const taken = await answer(
      api.PUT(
        "/api/shops/{shop}/draft/files/moving",
        sent(
          opened.file,
          opened.look.columns.map(({ meaning }) => meaning),
        ),
      ),
    ).catch((reason: unknown) => {
      setProblems(problemsOf(reason));
      return null;
    });
    setBusy(false);
    if (!taken) return;
    acts.refresh();
    dialog.current?.close();
  };
  const seen = opened?.look;
  const nothing = seen && seen.addedCount === 0 && seen.changed === 0;
  return (
    <>
      <FilePicker
        text={say("fromElsewhere")}
        label={say("goodsFileFromElsewhere")}
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        take={open}
      />
      <FileLook
        dialog={dialog}
        file={opened?.file.name}
        wide
        problems={problems}
        takes={seen && !nothing ? (seen.refused.length > 0 ? say("takeGoodRows") : say("take")) : undefined}
        busy={busy}
        take={() => void take()}
      >
        {busy && !seen && <progress className="progress progress-accent my-3" aria-label={say("lookingAtFile")} />}
        {seen && (
          <>
            <p className="my-2 text-sm quiet">{say("whatColumnsHold")}</p>
            <table className="w-full text-sm">
              <thead>
                <tr className="border-b border-base-content text-start">
                  <th scope="col" className="pe-4 text-start">
                    {say("column")}
                  </th>
                  <th scope="col" className="pe-4 text-start">
                    {say("begins")}
                  </th>
                  <th scope="col" className="text-start">
                    {say("holds")}
                  </th>
                </tr>
              </thead>
              <tbody>
                {seen.columns.map((column, place) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place in the file
                  <tr key={place} className="border-b border-base-300 align-baseline">
                    <th scope="row" className="py-1 pe-4 text-start font-semibold">
                      {column.heading}
                    </th>
                    <td className="py-1 pe-4 quiet">{column.samples.join(" · ")}</td>
                    <td className="py-1">
                      <select
                        className="inplace w-56"
                        aria-label={say("whatColumnHolds", { column: column.heading })}
                        value={column.meaning}
                        disabled={busy}
                        onChange={(event) =>
                          void look(
                            opened.file,
                            seen.columns.map(({ meaning }, index) =>
                              index === place ? (event.target.value as Meaning) : meaning,
                            ),
                          )
                        }
                      >
                        {meanings.map((each) => (
                          <option key={each.id} value={each.id}>
                            {each.name}
                          </option>
                        ))}
                      </select>
                      {column.doubted && <span className="ms-2 text-xs font-semibold">{say("lookAtIt")}</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p role="status" className="mt-3 font-semibold">
              {nothing
                ? say("nothingOfItCanBeTaken")
                : say("whatFileBrings", { rows: seen.rows, added: seen.addedCount, changed: seen.changed })}
            </p>
            <p className="text-sm quiet">
              {[
                seen.choices > 0 ? say("withChoices", { count: seen.choices }) : "",
                seen.counted > 0 ? say("countedAtOnce", { count: seen.counted }) : "",
                seen.groups.length > 0 ? say("newGroups", { names: seen.groups.join(", ") }) : "",
              ]
                .filter(Boolean)
                .join(" ")}
            </p>
            {seen.refused.length > 0 && (
              <details className="mt-2 text-sm" open={seen.refused.length <= 5}>
                <summary className="cursor-pointer font-semibold">
                  {say("notWhollyTaken", { count: seen.refused.length })}
                </summary>
                <ul>
                  {seen.refused.map((row) => (
                    <li key={`${row.line} ${row.heading} ${row.sentence}`} className="py-0.5">
                      <span className="figure me-2">{say("lineNumbered", { line: row.line })}</span>
                      {row.heading && `${row.heading}: `}
                      {row.sentence}
                    </li>
                  ))}
                </ul>
              </details>
            )}
          </>
        )}
      </FileLook>
    </>
  );
}
