import type { CounterProduct } from "../api/client";

export type Question = CounterProduct["questions"][number];

/** The longest text where the seller says nothing. */
export const usualMost = 200;

/** Characters as a reader counts them: extended grapheme clusters of Unicode Standard Annex #29. */
export const characters = (text: string): number =>
  [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(text.trim().normalize("NFC"))].length;

/** What is sent of what was typed: a number with a point before its decimals. */
const plainOf = ({ kind }: Pick<Question, "kind">, typed: string): string =>
  kind === "number" ? typed.trim().replace(",", ".") : typed.trim();

/** Whether what was typed can be sent; the server has the last word. */
export function answerable(question: Question, typed: string): boolean {
  const text = plainOf(question, typed);
  if (text === "") return !question.compulsory;
  if (question.kind === "number") return /^-?\d{1,12}(\.\d{1,6})?$/.test(text);
  return question.kind !== "text" || characters(text) <= (question.most ?? usualMost);
}

/** Answers by question, without those that were not given. */
export const given = (
  questions: Pick<Question, "id" | "kind">[],
  typed: Record<string, string>,
): Record<string, string> =>
  Object.fromEntries(
    questions
      .map((question) => [question.id, plainOf(question, typed[question.id] ?? "")] as const)
      .filter(([, text]) => text !== ""),
  );
