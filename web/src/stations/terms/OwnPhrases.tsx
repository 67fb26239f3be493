import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Sheet } from "../../shared/Sheet";

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
      <p className="mb-2 max-w-2xl text-sm">
        What you leave empty reads as it ships, in small type. Keep the names in braces: the shop sets them in.
      </p>
      <p className="mb-2 flex flex-wrap items-baseline gap-4">
        <label className="flex items-baseline gap-2">
          Find
          <input className="input input-sm w-56" value={wanted} onChange={(event) => setWanted(event.target.value)} />
        </label>
        <span role="status">
          {lacking.length === 0
            ? `Each of the ${all.length} phrases is there in every language.`
            : lacking.map(([language, many]) => `${many} of ${all.length} lack ${language}`).join(", ")}
        </span>
        {lacking.length > 0 && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={lackingOnly}
              onChange={(event) => setLackingOnly(event.target.checked)}
            />
            only those
          </label>
        )}
      </p>
      <Sheet
        label="What we say"
        corner={setup.shop.language}
        rows={shown.slice(0, SHOWN).map(({ code, text }) => ({ id: code, name: text, note: code.replace(".", " · ") }))}
        columns={languages.map((language) => ({
          id: language,
          name: language,
          read: (text) => (text.trim() === "" ? undefined : text),
        }))}
        pathOf={(row, column) => `terms/words/${column.id}/phrases.${row.id}`}
        textOf={(row, column) => own(row.id, column.id)}
        smallOf={(row, column) => all.find((each) => each.code === row.id)?.shipped[column.id]}
        empty="–"
      />
      {shown.length > SHOWN && (
        <p className="mt-2 text-sm quiet">{shown.length - SHOWN} more: type above what you are looking for.</p>
      )}
    </>
  );
}
