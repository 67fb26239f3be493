import type { Amount, Figure, QuoteView } from "../api/client";
import { plain } from "../shared/money";

const shown = (figure: Figure): string => {
  const value = figure.unit.length === 3 ? figure.value : plain(figure.value);
  return figure.unit === "kg" ? `${value} kg` : value;
};

/** How a figure was made, as a line of arithmetic; nothing for one that was given. */
export function arithmetic(figure: Figure): string | undefined {
  const of = figure.of.map(shown);
  const { op } = figure;
  switch (op.kind) {
    case "given":
      return undefined;
    case "sum":
      return of.length > 1 ? `${of.join(" + ")} = ${shown(figure)}` : undefined;
    case "less":
      return `${of.join(" − ")} = ${shown(figure)}`;
    case "product":
      return `${of.join(" × ")} = ${shown(figure)}`;
    case "ratio": {
      const over = of.slice(op.times);
      const text = of.slice(0, op.times).join(" × ") + (over.length ? ` ÷ ${over.join(" ÷ ")}` : "");
      return `${text} = ${shown(figure)}${over.length ? `, ${op.rounding.replace("-", " ")}` : ""}`;
    }
    case "rounded":
      return `${of[0]} rounded ${op.rounding.replace("-", " ")} = ${shown(figure)}`;
    case "started-steps":
      return `(${of[0]} − ${of[1]}) ÷ ${of[2]}, started: ${shown(figure)}`;
    case "share":
      return of.length > 2 ? `${of[0]} shared over ${of.slice(1).join(", ")}: ${shown(figure)}` : undefined;
    case "ended":
      return `${of[0]} raised to its ending = ${shown(figure)}`;
    case "nearest":
      return `${of[0]} to the nearest ${of[1]} = ${shown(figure)}`;
    case "raised-to-step":
      return `${of[0]} raised to a whole number of ${of[1]} = ${shown(figure)}`;
    case "quotient":
      return `${of[0]} ÷ ${of[1]} = ${shown(figure)}`;
    case "smallest":
    case "largest":
      return `${op.kind} of ${of.join(", ")} = ${shown(figure)}`;
  }
}

/** The figures of a quote with their operands at hand; operands stand before what is made of them. */
export function figuresOf(quote: QuoteView): (amount: Amount) => Figure {
  const linked: Figure[] = [];
  for (const node of quote.figures) linked.push({ ...node, of: node.of.map((place) => linked[place] as Figure) });
  return (amount) => linked[amount.why] as Figure;
}

/** Every rule that had a part in a figure. */
export function rulesOf(figure: Figure): Set<string> {
  const rules = new Set<string>();
  const seen = new Set<Figure>();
  const visit = (each: Figure) => {
    if (seen.has(each)) return;
    seen.add(each);
    rules.add(each.rule);
    each.of.forEach(visit);
  };
  visit(figure);
  return rules;
}

/** Whether a rule is a field of the setup one can go to. */
export const isField = (rule: string): boolean =>
  /^(shop|goods|discounts|delivery|pickup|tax|payment|terms)\//.test(rule);
