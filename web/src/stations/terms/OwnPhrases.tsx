import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { setupPath } from "../../shared/paths";
import { languageName } from "../../shared/places";
import { Sheet } from "../../shared/Sheet";
import { say } from "../../shared/say";

/** So many are shown at once; what is looked for is found by typing. */
const SHOWN = 100;

/** What counter, letters and papers say themselves, to be worded by the seller: a sheet to type and paste into. */
export function OwnPhrases({ languages }: { languages: string[] }) {
  const { shop, setup } = useBench();
  const [wanted, setWanted] = useState("");
  const [lackingOnly, setLackingOnly] = useState(false);
  const phrases = useQuery({
    queryKey: ["phrases", shop, languages.join()],
    queryFn: () => answer(api.GET("/api/shops/{shop}/terms/phrases", { params: { path: { shop } } })),
    placeholderData: keepPreviousData,
  });
  const own = (code: string, language: string) => setup.terms.words[language]?.[`phrases.${code}`] ?? "";
  const all = phrases.data ?? [];
  const lacks = (language: string) => all.filter((each) => !each.shipped[language] && own(each.code, language) === "");
  const lacking = languages
    .map((language) => [language, lacks(language).length] as const)
    .filter(([, many]) => many > 0);
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = all
    .filter((each) => words.every((word) => `${each.code} ${each.text}`.toLowerCase().includes(word)))
    .filter((each) => !lackingOnly || languages.some((tag) => !each.shipped[tag] && own(each.code, tag) === ""));
  return (
    <>
      <p className="mb-2 max-w-2xl text-sm">{say("whatYouLeaveEmptyReads")}</p>
      <p className="mb-2 flex flex-wrap items-baseline gap-4">
        <label className="flex items-baseline gap-2">
          {say("find")}
          <input className="input input-sm w-56" value={wanted} onChange={(event) => setWanted(event.target.value)} />
        </label>
        <span role="status">
          {lacking.length === 0
            ? say("eachPhrasesThereEveryLanguage", { count: all.length })
            : lacking
                .map(([language, many]) =>
                  say("lackLanguage2", { many, count: all.length, language: languageName(language) }),
                )
                .join(", ")}
        </span>
        {lacking.length > 0 && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={lackingOnly}
              onChange={(event) => setLackingOnly(event.target.checked)}
            />
            {say("onlyThose")}
          </label>
        )}
      </p>
      <Sheet
        label={say("whatWeSay")}
        corner={setup.shop.language}
        rows={shown.slice(0, SHOWN).map(({ code, text }) => ({ id: code, name: text, note: code.replace(".", " · ") }))}
        columns={languages.map((language) => ({
          id: language,
          name: language,
          read: (text) => (text.trim() === "" ? undefined : text),
        }))}
        pathOf={(row, column) => setupPath("terms", "words", column.id, `phrases.${row.id}`)}
        textOf={(row, column) => own(row.id, column.id)}
        smallOf={(row, column) => all.find((each) => each.code === row.id)?.shipped[column.id]}
        empty="–"
      />
      {shown.length > SHOWN && (
        <p className="mt-2 text-sm quiet">{say("moreTypeAboveWhatYou", { count: shown.length - SHOWN })}</p>
      )}
    </>
  );
}
