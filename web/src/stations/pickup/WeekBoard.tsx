import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { clockOf, painted, type Span, week } from "../../shared/notation/hours";
import { say } from "../../shared/say";

const FIRST = 6 * 60;
const LAST = 22 * 60;
const STEP = 30;
/** Every how many hours the board tells the time. */
const LABELLED = 4;
const labelled = Array.from({ length: (LAST - FIRST) / 60 / LABELLED }, (_, i) => FIRST / 60 + i * LABELLED);
const starts = Array.from({ length: (LAST - FIRST) / STEP }, (_, i) => FIRST + i * STEP);

interface Props {
  spans: Span[];
  label: string;
  change: (spans: Span[]) => void;
}

type At = { row: number; column: number };
/** A stretch of one or more days being painted: from one corner to the other, open or shut. */
type Stroke = { from: At; to: At; open: boolean };

const between = (a: number, b: number, value: number) => value >= Math.min(a, b) && value <= Math.max(a, b);

/**
 * The week, painted: drag over half hours to open or shut them; by keys, arrows move, Shift and arrows stretch, Space opens or shuts
 * what is marked.
 */
export function WeekBoard({ spans, label, change }: Props) {
  const rows = week(spans);
  const table = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState<At>({ row: 0, column: 8 });
  const [anchor, setAnchor] = useState<At>();
  const [stroke, setStroke] = useState<Stroke>();
  const isOpen = (row: number, column: number) =>
    (rows[row]?.open ?? []).some(([from, to]) => from <= (starts[column] ?? 0) && (starts[column] ?? 0) < to);

  const paint = ({ from, to, open }: Stroke) => {
    let after = spans;
    for (let row = Math.min(from.row, to.row); row <= Math.max(from.row, to.row); row++) {
      const begin = starts[Math.min(from.column, to.column)] ?? FIRST;
      const end = (starts[Math.max(from.column, to.column)] ?? FIRST) + STEP;
      after = painted(after, rows[row]?.day ?? "", begin, end, open);
    }
    change(after);
  };

  // A stroke ends wherever the pointer is let go.
  useEffect(() => {
    if (!stroke) return;
    const end = () => {
      paint(stroke);
      setStroke(undefined);
    };
    window.addEventListener("pointerup", end);
    return () => window.removeEventListener("pointerup", end);
  });

  const move = (to: At, stretching: boolean) => {
    const next = {
      row: Math.max(0, Math.min(rows.length - 1, to.row)),
      column: Math.max(0, Math.min(starts.length - 1, to.column)),
    };
    setAnchor(stretching ? (anchor ?? at) : undefined);
    setAt(next);
    table.current?.querySelector<HTMLElement>(`[data-half="${next.row}-${next.column}"]`)?.focus();
  };

  const key = (event: KeyboardEvent) => {
    const by: Record<string, [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
      Home: [0, -starts.length],
      End: [0, starts.length],
    };
    const step = by[event.key];
    if (step) {
      event.preventDefault();
      move({ row: at.row + step[0], column: at.column + step[1] }, event.shiftKey);
    } else if (event.key === " " || event.key === "Enter") {
      event.preventDefault();
      paint({ from: anchor ?? at, to: at, open: !isOpen((anchor ?? at).row, (anchor ?? at).column) });
      setAnchor(undefined);
    }
  };

  const marked = (row: number, column: number) => {
    const [a, b] = stroke ? [stroke.from, stroke.to] : anchor ? [anchor, at] : [undefined, undefined];
    return a !== undefined && b !== undefined && between(a.row, b.row, row) && between(a.column, b.column, column);
  };

  return (
    <div className="max-w-md pe-3">
      <table
        ref={table}
        role="grid"
        aria-label={label}
        aria-multiselectable="true"
        className="w-full table-fixed touch-none border-collapse select-none"
        onKeyDown={key}
      >
        <tbody>
          {rows.map(({ day }, row) => (
            <tr key={day}>
              <th scope="row" className="w-9 pe-1 text-start text-xs font-normal">
                {day.slice(0, 3)}
              </th>
              {starts.map((start, column) => {
                const open = stroke && marked(row, column) ? stroke.open : isOpen(row, column);
                return (
                  <td
                    key={start}
                    role="gridcell"
                    data-half={`${row}-${column}`}
                    tabIndex={at.row === row && at.column === column ? 0 : -1}
                    aria-selected={open}
                    aria-label={say(open ? "hourIsOpen" : "hourIsShut", { day, time: clockOf(start) })}
                    className={`h-4 cursor-pointer border-base-300 ${start % 120 === 0 ? "border-s" : ""} ${open ? "bg-accent" : "bg-base-100"} ${marked(row, column) ? "outline-1 outline-base-content" : ""} border-y`}
                    onFocus={() => setAt({ row, column })}
                    onPointerDown={(event) => {
                      event.currentTarget.focus();
                      event.currentTarget.releasePointerCapture?.(event.pointerId);
                      setStroke({ from: { row, column }, to: { row, column }, open: !isOpen(row, column) });
                    }}
                    onPointerEnter={() => stroke && setStroke({ ...stroke, to: { row, column } })}
                  />
                );
              })}
            </tr>
          ))}
        </tbody>
        <tfoot aria-hidden="true">
          <tr className="text-xs quiet">
            <td />
            {labelled.map((hour) => (
              <td key={hour} colSpan={(LABELLED * 60) / STEP} className="relative h-5 p-0 align-top">
                <span className="absolute top-0 -translate-x-1/2 font-mono">{hour}</span>
                {hour === labelled.at(-1) && (
                  <span className="absolute top-0 end-0 translate-x-1/2 font-mono">{hour + LABELLED}</span>
                )}
              </td>
            ))}
          </tr>
        </tfoot>
      </table>
      <p className="text-xs quiet">{say("dragOverHalfHoursOr")}</p>
    </div>
  );
}
