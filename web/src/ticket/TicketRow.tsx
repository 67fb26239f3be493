import { type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import type { Figure } from "../api/client";
import { useMarks, useSpotlight } from "../desk/bench";
import { say } from "../shared/say";
import { Why } from "./Why";
import { isField, rulesOf } from "./why";

interface Props {
  name: string;
  note?: string;
  figure: Figure;
  total?: boolean;
  /** Taken off: shown with a minus. */
  minus?: boolean;
  /** What it costs live, when that is shown beside. */
  live?: string;
  children?: ReactNode;
}

/** The value before the last change, for a few seconds. */
function useBefore(value: string): string | undefined {
  const last = useRef(value);
  const [before, setBefore] = useState<string>();
  useEffect(() => {
    if (last.current === value) return;
    setBefore(last.current);
    last.current = value;
    const timer = setTimeout(() => setBefore(undefined), 4000);
    return () => clearTimeout(timer);
  }, [value]);
  return before === value ? undefined : before;
}

/** One amount of the ticket: opens downwards to its why, and lights the cells that made it. */
export function TicketRow({ name, note, figure, total, minus, live, children }: Props) {
  const spotlight = useSpotlight();
  const marks = useMarks();
  const [open, setOpen] = useState(false);
  const before = useBefore(figure.value);
  const rules = useMemo(() => rulesOf(figure), [figure]);
  // A rate moves the tax of everything with it; only the row it is the price of is lit for it.
  const taxRow = figure.rule.startsWith("tax/");
  const litHere =
    !total && isField(spotlight.at) && rules.has(spotlight.at) && taxRow === spotlight.at.startsWith("tax/");
  const lights = {
    onFocus: () => marks.setLit(rules),
    onBlur: () => marks.setLit(new Set()),
    onMouseEnter: () => marks.setLit(rules),
    onMouseLeave: () => marks.setLit(new Set()),
  };
  return (
    <div className={total ? "my-2 border-y-2 border-base-content" : "-mx-2"}>
      <button
        type="button"
        aria-expanded={open}
        data-row={name}
        className={`flex w-full cursor-pointer items-baseline gap-3 text-start ${total ? "py-1.5" : "px-2 py-1"} ${litHere ? "lit" : ""}`}
        onClick={() => setOpen(!open)}
        onKeyDown={(event) => event.key.toLowerCase() === "y" && setOpen(!open)}
        {...lights}
      >
        <span dir="auto" className={`min-w-0 flex-1 wrap-anywhere ${total ? "font-head text-lg font-bold" : ""}`}>
          {name}
          {note && <span className="block text-xs quiet">{note}</span>}
        </span>
        {live !== undefined && (
          <span className={`figure ${live === figure.value ? "quiet" : "text-accent"}`} title={say("liveOne")}>
            {live}
          </span>
        )}
        <span className={`figure ${total ? "text-2xl font-bold" : ""}`}>
          {before && live === undefined && (
            <span className={`was ${total ? "text-sm font-normal" : ""}`}>{before}</span>
          )}
          <span data-amount={name}>
            {minus && "−"}
            {figure.value}
          </span>
        </span>
      </button>
      {children && <div className="px-2 pb-1">{children}</div>}
      {open && <Why figure={figure} />}
    </div>
  );
}
