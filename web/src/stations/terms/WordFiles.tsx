import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { FilePicker } from "../../shared/FilePicker";
import { languageName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { fileBody, useFileLook } from "../../shared/useFileLook";

/** The sheet of words as a file: out as a table or for a translator, in after a look at what it changes. */
export function WordFiles({ languages }: { languages: string[] }) {
  const { shop } = useBench();
  const { open, look, shown } = useFileLook(
    (file) => answer(api.POST("/api/shops/{shop}/draft/words", { params: { path: { shop } }, ...fileBody(file) })),
    (file) => answer(api.PUT("/api/shops/{shop}/draft/words", { params: { path: { shop } }, ...fileBody(file) })),
  );
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
        take={open}
      />
      <FileLook
        {...shown}
        takes={look && look.changes.length > 0 && shown.problems.length === 0 ? say("take") : undefined}
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
