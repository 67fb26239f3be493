import type { Figure } from "../api/client";
import { RuleButton } from "./RuleButton";
import { arithmetic, isField } from "./why";

/** The operands of a figure, down to what was typed. */
export function Why({ figure }: { figure: Figure }) {
  return (
    <div className="lit border-s-2 border-accent px-3 py-2 text-xs">
      <Step figure={figure} top />
    </div>
  );
}

function Step({ figure, top = false }: { figure: Figure; top?: boolean }) {
  const line = arithmetic(figure);
  const operands = figure.of.filter((operand) => operand.of.length > 0 || isField(operand.rule));
  const head = (
    <>
      <span className="inline-flex w-full justify-between gap-3 align-top">
        <span>
          {figure.label} <RuleButton rule={figure.rule} />
        </span>
        {!line && <span className="figure">{figure.value}</span>}
      </span>
      {line && <span className="block font-mono">{line}</span>}
    </>
  );
  const below = operands.map((operand, index) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: an operand is its place in the operation
    <Step key={index} figure={operand} />
  ));
  if (top || below.length === 0) {
    return (
      <div className={top ? "" : "mt-1 ps-4"}>
        {head}
        {below}
      </div>
    );
  }
  return (
    <details className="mt-1 border-s border-base-300 ps-2">
      <summary className="ms-3 cursor-pointer list-outside">{head}</summary>
      {below}
    </details>
  );
}
