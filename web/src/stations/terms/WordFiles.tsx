import { useRef, useState } from "react";
import { answer, api, type Problem, problemsOf, type WordLook } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { FilePicker } from "../../shared/FilePicker";
import { languageName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

/** The sheet of words as a file: out as a table or for a translator, in after a look at what it changes. */
export function WordFiles({ languages }: { languages: string[] }) {
  const { shop } = useBench();
  const acts = useActs();
  const dialog = useRef<HTMLDialogElement>(null);
  const [file, setFile] = useState<File>();
  const [look, setLook] = useState<WordLook>();
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
    setLook(undefined);
    setProblems([]);
    dialog.current?.showModal();
    await answer(api.POST("/api/shops/{shop}/draft/words", sent(picked))).then(setLook, (reason: unknown) =>
      setProblems(problemsOf(reason)),
    );
  };
  const take = async () => {
    if (!file) return;
    setBusy(true);
    await answer(api.PUT("/api/shops/{shop}/draft/words", sent(file))).then(
      () => {
        acts.refresh();
        dialog.current?.close();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  const at = `/api/shops/${shop}/draft/words`;
  return (
    <p className="mb-2 flex flex-wrap items-baseline gap-4">
      <span className="quiet">{say("wordsAsFile")}</span>
      <a className="underline" href={at} download>
        {say("wordsTable")}
      </a>
      {languages.map((language) => (
        <a key={language} className="underline" href={`${at}?language=${language}`} download>
          {say("wordsForTranslator", { language: languageName(language) })}
        </a>
      ))}
      <FilePicker
        text={say("fromFile")}
        label={say("wordsFile")}
        accept=".csv,.xlf,.xliff,text/csv,application/xliff+xml"
        take={(picked) => void open(picked)}
      />
      <FileLook
        dialog={dialog}
        file={file?.name}
        problems={problems}
        takes={look && look.changes.length > 0 && problems.length === 0 ? say("take") : undefined}
        busy={busy}
        take={() => void take()}
      >
        {look && (
          <>
            <p className="my-2">{look.changes.length === 0 ? say("wordsFileSame") : say("wordsFileWhat")}</p>
            <ul>
              {look.changes.map(({ language, added, changed }) => (
                <li key={language} className="flex gap-4 border-b border-base-300 py-1">
                  <span className="w-40 font-semibold">{languageName(language)}</span>
                  <span>{say("wordsChanges", { added, changed })}</span>
                </li>
              ))}
            </ul>
            {look.notTaken.length > 0 && (
              <>
                <h3 className="mt-4">{say("wordsNotTaken", { count: look.notTaken.length + look.more })}</h3>
                <Said problems={look.notTaken} />
              </>
            )}
          </>
        )}
      </FileLook>
    </p>
  );
}
