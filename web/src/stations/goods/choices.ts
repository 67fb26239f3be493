import type { Setup } from "../../api/client";
import { FIGURE, figure, stored } from "../../shared/notation/figures";
import { idFrom } from "../../shared/paths";

type Product = Setup["goods"]["products"][number];
export type Option = Product["options"][number];
export type Choice = Option["choices"][number];
export type Variation = Product["variations"][number];

/** The combination that names exactly these choices. */
export function variationOf(product: Product, picked: Record<string, string>): Variation | undefined {
  const names = Object.entries(picked);
  return product.variations.find(
    (each) =>
      Object.keys(each.options).length === names.length &&
      names.every(([option, choice]) => each.options[option] === choice),
  );
}

/** Combinations that leave something open, and so stand in no crossing. */
export const partial = (product: Product): Variation[] =>
  product.variations.filter((each) => Object.keys(each.options).length < product.options.length);

/** A combination with one figure more, less, or another; nothing when it has none left. */
export function withFigure(own: Variation, part: "price" | "weight", text: string): Variation | undefined {
  const { [part]: _, ...rest } = own;
  const next = (text ? { ...rest, [part]: text } : rest) as Variation;
  return next.price || next.weight || next.sale ? next : undefined;
}

/** What a choice adds to the price: "2.50", "-1", "10 %". */
export const adds = {
  write: (value: unknown): string => {
    const { extra, percent } = (value ?? {}) as Choice;
    return extra ? `${figure(extra)}` : percent ? `${figure(percent)} %` : "";
  },
  read:
    (its: Choice | undefined) =>
    (text: string): unknown => {
      const { extra: _, percent: __, ...rest } = its ?? { id: "", name: "" };
      const typed = text.trim().replace(/^\+/, "");
      if (!typed) return rest;
      const found = new RegExp(`^(${FIGURE})\\s*(%?)$`).exec(typed);
      const value = found ? stored(found[1] ?? "") : typed;
      return typed.endsWith("%") ? { ...rest, percent: value } : { ...rest, extra: value };
    },
};

/** "Size: small, medium" as a question with its answers; without a name where there is none to read. */
export function newChoices(typed: string): { name: string; choices: { id: string; name: string }[] } {
  const [name = "", answers = ""] = typed.split(/[:：](.*)/s);
  const choices: { id: string; name: string }[] = [];
  for (const answer of answers.split(/[,;、]/).map((each) => each.trim())) {
    if (answer)
      choices.push({
        id: idFrom(
          answer,
          choices.map((each) => each.id),
        ),
        name: answer,
      });
  }
  return { name: choices.length > 0 ? name.trim() : "", choices };
}
