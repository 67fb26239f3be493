import type { Amount, Figure, QuoteView } from "../api/client";
import { plain } from "../shared/money";
import { say, sayCode } from "../shared/say";

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
      return `${text} = ${shown(figure)}${over.length ? `, ${sayCode("rounding", op.rounding)}` : ""}`;
    }
    case "rounded":
      return say("rounded", { of: of[0], replace: sayCode("rounding", op.rounding), figure: shown(figure) });
    case "started-steps":
      return `(${of[0]} − ${of[1]}) ÷ ${of[2]}, ${say("started")}: ${shown(figure)}`;
    case "share":
      return of.length > 2
        ? say("sharedOver", { of: of[0], join: of.slice(1).join(", "), figure: shown(figure) })
        : undefined;
    case "ended":
      return say("raisedItsEnding", { of: of[0], figure: shown(figure) });
    case "nearest":
      return say("nearest", { of: of[0], of2: of[1], figure: shown(figure) });
    case "raised-to-step":
      return say("raisedWholeNumber", { of: of[0], of2: of[1], figure: shown(figure) });
    case "quotient":
      return `${of[0]} ÷ ${of[1]} = ${shown(figure)}`;
    case "smallest":
    case "largest":
      return say("operationOf", { kind: sayCode("operation", op.kind), join: of.join(", "), figure: shown(figure) });
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
