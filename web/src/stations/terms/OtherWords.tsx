import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { setupPath } from "../../shared/paths";
import { Sheet } from "../../shared/Sheet";
import { say } from "../../shared/say";
import { WordFiles } from "./WordFiles";

/** Names and sentences buyers read, in the shop's other languages: a sheet to type and paste into. */
export function OtherWords({ languages }: { languages: string[] }) {
  const { shop, setup, draft } = useBench();
  const [lackingOnly, setLackingOnly] = useState(false);
  const texts = useQuery({
    queryKey: ["words", shop, draft.version],
    queryFn: () => answer(api.GET("/api/shops/{shop}/terms/words", { params: { path: { shop } } })),
    placeholderData: keepPreviousData,
  });
  const said = (place: string, language: string) => setup.terms.words[language]?.[place] ?? "";
  const all = texts.data ?? [];
  const lacking = all.filter(({ place }) => languages.some((language) => said(place, language) === ""));
  const shown = lackingOnly ? lacking : all;
  return (
    <>
      <WordFiles languages={languages} />
      <p className="mb-2 flex items-baseline gap-4">
        {lacking.length === 0
          ? say("everyTextIsThere")
          : say("lackLanguage", { count: lacking.length, count2: all.length })}
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={lackingOnly}
            onChange={(event) => setLackingOnly(event.target.checked)}
          />
          {say("onlyThose")}
        </label>
      </p>
      <Sheet
        label={say("otherLanguages")}
        corner={setup.shop.language}
        rows={shown.map(({ place, text }) => ({
          id: place,
          name: text,
          note: place.split(".").slice(0, 3).join(" · "),
        }))}
        columns={languages.map((language) => ({
          id: language,
          name: language,
          read: (text) => (text.trim() === "" ? undefined : text),
        }))}
        pathOf={(row, column) => setupPath("terms", "words", column.id, row.id)}
        textOf={(row, column) => said(row.id, column.id)}
        empty="–"
      />
    </>
  );
}
