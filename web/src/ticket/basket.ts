import type { Destination, Line, Setup } from "../api/client";
import type { SampleOrder } from "./sampleOrder";

type Product = Setup["goods"]["products"][number];

/** Something a question takes as an answer. */
const anyAnswer = ({ kind, answers }: Product["questions"][number]): string =>
  ({ text: "A", number: "1", day: "2030-01-01", tick: "yes", "one-of": answers[0]?.id ?? "" })[kind];

/** A box with as few pieces as it takes, all of its first goods. */
const filled = ({ kind, together }: Product): Line[] => {
  const first = together?.from[0];
  return kind === "box" && first
    ? [
        {
          product: first.product,
          quantity: String(together.least ?? 1),
          options: first.options,
          answers: {},
          contents: [],
        },
      ]
    : [];
};

/** One of a product, with the first of all its choices; of what the buyer names the amount of, the least. */
export function firstOf(product: Product): Line {
  return {
    product: product.id,
    quantity: product.measure?.least ?? "1",
    options: Object.fromEntries(product.options.map((option) => [option.id, option.choices[0]?.id ?? ""])),
    ...(product.bounds ? { amount: product.bounds.least } : {}),
    contents: filled(product),
    answers: Object.fromEntries(
      product.questions.filter(({ compulsory }) => compulsory).map((question) => [question.id, anyAnswer(question)]),
    ),
  };
}

/** A sample order of a person, with nothing but goods and a place chosen. */
export const sampleOf = (
  named: { id: string; name: string },
  lines: Line[],
  to: Destination | null | undefined,
): SampleOrder => ({ ...named, buyer: "person", order: { lines, codes: [], deliveries: {}, ...(to ? { to } : {}) } });
