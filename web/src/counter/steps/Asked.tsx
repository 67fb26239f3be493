import { useId } from "react";
import { plain } from "../../shared/money";
import { characters, type Question, usualMost } from "../answers";
import { useSay } from "../phrases";

interface Props {
  question: Pick<Question, "name" | "kind" | "compulsory" | "most" | "answers"> &
    Partial<Pick<Question, "extra" | "percent" | "perCharacter">>;
  /** The product it is asked of; nothing for the order. */
  of?: string;
  /** Whether a form waits for it. */
  required?: boolean;
  /** How amounts are written; without it none is shown, because it would be in another currency. */
  prices: ((price: string) => string) | undefined;
  answer: string;
  give: (answer: string) => void;
}

/** One question about a product, with what an answer adds. */
export function Asked({ question, of, required = false, prices, answer, give }: Props) {
  const say = useSay();
  const id = useId();
  const most = question.most ?? usualMost;
  const long = question.kind === "text" ? characters(answer) : 0;
  const costs = [
    question.extra && prices && Number(question.extra) ? say("adds", { price: prices(question.extra) }) : "",
    question.percent && Number(question.percent) ? say("addsPercent", { percent: plain(question.percent) }) : "",
    question.perCharacter && prices && Number(question.perCharacter)
      ? say("addsEach", { price: prices(question.perCharacter) })
      : "",
  ].filter(Boolean);
  const hint = [question.compulsory || question.kind === "tick" ? "" : say("ifYouLike"), ...costs]
    .filter(Boolean)
    .join(", ");
  if (question.kind === "tick") {
    return (
      <label className="mt-2 flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          required={required}
          checked={answer !== ""}
          onChange={(event) => give(event.target.checked ? "yes" : "")}
        />
        {question.name}
        {hint && <span className="text-xs quiet">{hint}</span>}
      </label>
    );
  }
  const label = of ? `${of}: ${question.name}` : question.name;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <label htmlFor={id} className="text-sm">
        {question.name}
      </label>
      {question.kind === "one-of" ? (
        <select
          id={id}
          className="select select-sm w-auto"
          required={required}
          aria-label={label}
          value={answer}
          onChange={(event) => give(event.target.value)}
        >
          <option value="">{say("chooseOne")}</option>
          {question.answers.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      ) : (
        <input
          id={id}
          className={`input input-sm ${question.kind === "text" ? "w-56 max-w-full" : "w-36"}`}
          type={question.kind === "day" ? "date" : "text"}
          inputMode={question.kind === "number" ? "decimal" : undefined}
          required={required}
          aria-label={label}
          aria-invalid={long > most}
          dir="auto"
          value={answer}
          onChange={(event) => give(event.target.value)}
        />
      )}
      {hint && <span className="text-xs quiet">{hint}</span>}
      {question.kind === "text" && question.most != null && long > 0 && (
        <span className={`text-xs ${long > most ? "font-semibold text-error" : "quiet"}`} aria-live="polite">
          {say("charactersOf", { count: long, most })}
        </span>
      )}
    </div>
  );
}
