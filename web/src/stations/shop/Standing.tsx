import { useBench, useMarks } from "../../desk/bench";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

const languageName = (tag: string): string => {
  try {
    return new Intl.DisplayNames([deskLocale()], { type: "language" }).of(tag) ?? tag;
  } catch {
    return tag;
  }
};

/** Whether buyers can come in, what keeps them out, and which languages lack a text. */
export function Standing() {
  const bench = useBench();
  const marks = useMarks();
  const { edition, findings } = bench.draft;
  const { shop } = bench.setup;
  const blocking = findings.filter((finding) => finding.severity === "blocks-opening");
  const lacking = findings.filter((finding) => finding.id === "language-lacking");
  const others: string[] = shop.languages;
  return (
    <dl className="grid grid-cols-[6rem_1fr] gap-y-1 border-t border-base-300 pt-3">
      <dt className="quiet">{say("buyersHead")}</dt>
      <dd>
        {edition ? say("comeEditionLive", { edition }) : say("cannotComeNothingPublishedYet")}
        {blocking.length > 0 && (
          <ul className="mt-1">
            {blocking.map((finding) => (
              <li key={finding.id + finding.path}>
                {finding.sentence} <TextButton onClick={() => marks.goTo(finding.path)}>{say("goThere")}</TextButton>
              </li>
            ))}
          </ul>
        )}
      </dd>
      <dt className="quiet">{say("languages")}</dt>
      <dd>
        {[shop.language, ...others].map(languageName).join(", ")}
        {others.length > 0 && lacking.length === 0 && say("everyTextThere")}
        {lacking.map((finding) => (
          <p key={finding.path}>{finding.sentence}</p>
        ))}
      </dd>
    </dl>
  );
}
