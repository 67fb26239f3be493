import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useBench, useMarks } from "../../desk/bench";
import { FileLook } from "../../shared/FileLook";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { fileBody, useFileLook } from "../../shared/useFileLook";
import { WhatChanges } from "../rehearsal/WhatChanges";
import { StationChanges } from "../shop/StationChanges";

const dateTime = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "medium", timeStyle: "short" });

/** Every edition, the latest first; one can be taken into the draft again, after a look at what that changes. */
export function EditionList() {
  const { shop, draft } = useBench();
  const marks = useMarks();
  const [compared, setCompared] = useState<number>();
  const path = { params: { path: { shop } } };
  const editions = useQuery({
    queryKey: ["editions", shop, draft.edition],
    queryFn: () => answer(api.GET("/api/shops/{shop}/editions", path)),
  });
  const {
    open,
    look: changes,
    shown,
  } = useFileLook(
    (file) => answer(api.POST("/api/shops/{shop}/draft/setup-file", { ...path, ...fileBody(file) })),
    (file) => answer(api.PUT("/api/shops/{shop}/draft/setup-file", { ...path, ...fileBody(file) })),
  );
  const goBack = async (number: number) => {
    const setup = await fetch(`/api/shops/${shop}/editions/${number}`);
    void open(new File([await setup.blob()], say("editionNumbered", { number })));
  };
  if (!editions.data?.length) return null;
  return (
    <section aria-label={say("editionsHead")} className="mt-8 max-w-3xl">
      <h2 className="text-lg">{say("editionsHead")}</h2>
      <ol className="mt-2">
        {editions.data.map(({ number, at, author, note }) => (
          <li key={number} className="flex flex-wrap items-baseline gap-x-4 border-b border-base-300 py-2">
            <span className="w-24 font-semibold">{say("editionNumbered", { number })}</span>
            <span className="flex-1">
              {note || <span className="quiet">{say("withoutNote")}</span>}
              <span className="block text-xs quiet">
                {dateTime.format(new Date(at))}, {author}
              </span>
            </span>
            <TextButton onClick={() => setCompared(compared === number ? undefined : number)}>
              {say("compareWithDraft")}
            </TextButton>
            <TextButton onClick={() => marks.priceAsOf(number)}>{say("priceAsOf")}</TextButton>
            <a className="underline" href={`/api/shops/${shop}/editions/${number}`} download>
              {say("asFile")}
            </a>
            {number === draft.edition ? (
              <span>{say("isLive")}</span>
            ) : (
              <TextButton onClick={() => void goBack(number)}>{say("goBackToEdition")}</TextButton>
            )}
            {compared === number && (
              <div className="w-full">
                <WhatChanges start={{ before: number }} />
              </div>
            )}
          </li>
        ))}
      </ol>
      <FileLook
        {...shown}
        takes={changes && changes.length > 0 && shown.problems.length === 0 ? say("takeIntoDraft") : undefined}
      >
        {changes && <StationChanges changes={changes} />}
      </FileLook>
    </section>
  );
}
