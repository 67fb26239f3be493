import { useVirtualizer } from "@tanstack/react-virtual";
import {
  type ClipboardEvent,
  Fragment,
  type KeyboardEvent,
  type ReactNode,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
} from "react";
import { flushSync } from "react-dom";
import { useBench } from "../desk/bench";
import { editOf } from "./paths";

export interface Row {
  id: string;
  name: string;
  note?: string;
}

export interface Column extends Row {
  choices?: { id: string; name: string }[];
  figures?: boolean;
  /** What a typed text means, where it is not the text itself. */
  read?: (text: string) => unknown;
}

/** More rows than this are drawn only where they can be seen. */
const LONG = 120;
const ROW_HEIGHT = 37;

interface Props {
  label: string;
  corner: string;
  rows: Row[];
  columns: Column[];
  pathOf: (row: Row, column: Column) => string;
  textOf: (row: Row, column: Column) => string;
  /** Shown in a cell that holds nothing. */
  empty?: string;
  /** Texts a cell may be completed with while it is typed in. */
  suggest?: (row: Row, column: Column) => string[];
  /** Small type beside a cell's text. */
  smallOf?: (row: Row, column: Column) => string | undefined;
  openRow?: (row: Row) => void;
  /** What lies under a row, when it is unfolded. */
  unfold?: (row: Row) => ReactNode;
  openColumn?: (column: Column) => void;
  onActive?: (row: Row, column: Column) => void;
}

/** A sheet of cells: arrows move, typing or Enter edits, Enter and Tab keep, Escape leaves, a pasted block fills. */
export function Sheet({
  label,
  corner,
  rows,
  columns,
  pathOf,
  textOf,
  empty = "",
  suggest,
  smallOf,
  openRow,
  unfold,
  openColumn,
  onActive,
}: Props) {
  const bench = useBench();
  const table = useRef<HTMLTableElement>(null);
  const [active, setActive] = useState<[number, number]>([0, 0]);
  /** The other corner of what is marked. */
  const [anchor, setAnchor] = useState<[number, number] | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  // Keeping a cell takes its input away, which blurs it, which would keep it again.
  const keeping = useRef(false);

  const cellAt = (r: number, c: number) => table.current?.querySelector<HTMLElement>(`[data-cell="${r}-${c}"]`);
  const focusing = useRef(false);
  const move = (r: number, c: number, marking = false) => {
    const next: [number, number] = [
      Math.max(0, Math.min(rows.length - 1, r)),
      Math.max(0, Math.min(columns.length - 1, c)),
    ];
    setAnchor(marking ? (anchor ?? active) : null);
    setActive(next);
    if (long) virtual.scrollToIndex(next[0]);
    focusing.current = true;
  };
  useLayoutEffect(() => {
    if (!focusing.current) return;
    const cell = cellAt(...active);
    if (!cell) return;
    focusing.current = false;
    cell.focus({ preventScroll: long });
  });

  const long = rows.length > LONG;
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => table.current?.closest("main") ?? null,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    enabled: long,
  });
  const drawn = long ? virtual.getVirtualItems() : [];
  const shown: [Row, number][] = long
    ? drawn.flatMap((item): [Row, number][] => {
        const row = rows[item.index];
        return row ? [[row, item.index]] : [];
      })
    : rows.map((row, index) => [row, index]);
  const above = drawn[0]?.start ?? 0;
  const below = long ? virtual.getTotalSize() - (drawn.at(-1)?.end ?? 0) : 0;

  /** The corners of what is marked. */
  const marked = (): [number, number, number, number] => {
    const [r, c] = anchor ?? active;
    return [Math.min(r, active[0]), Math.min(c, active[1]), Math.max(r, active[0]), Math.max(c, active[1])];
  };
  const isMarked = (r: number, c: number): boolean => {
    if (!anchor) return false;
    const [top, left, bottom, right] = marked();
    return r >= top && r <= bottom && c >= left && c <= right;
  };
  const block = (): { r: number; c: number }[][] => {
    const [top, left, bottom, right] = marked();
    const lines = [];
    for (let r = top; r <= bottom; r++) {
      const line = [];
      for (let c = left; c <= right; c++) line.push({ r, c });
      lines.push(line);
    }
    return lines;
  };

  useEffect(() => {
    const r = rows.findIndex((row) => columns.some((column) => pathOf(row, column) === bench.wanted));
    if (r < 0 || !rows[r]) return;
    const row = rows[r];
    const c = columns.findIndex((column) => pathOf(row, column) === bench.wanted);
    bench.arrived();
    move(r, c);
  });

  const at = (r: number, c: number) => {
    const row = rows[r];
    const column = columns[c];
    return row && column ? { row, column, path: pathOf(row, column), text: textOf(row, column) } : null;
  };
  const meaning = (column: Column, text: string): unknown => (column.read ? column.read(text) : text);
  const type = (path: string, column: Column, text: string) => {
    setTyped(text);
    bench.try(path, meaning(column, text));
  };
  const keep = async (r: number, c: number): Promise<boolean> => {
    const cell = at(r, c);
    if (!cell || typed === null || keeping.current) return true;
    keeping.current = true;
    const kept = typed === cell.text || (await bench.set(cell.path, meaning(cell.column, typed)));
    if (kept) {
      flushSync(() => setTyped(null));
      bench.stopTrying();
    }
    keeping.current = false;
    return kept;
  };
  const leave = () => {
    keeping.current = true;
    flushSync(() => setTyped(null));
    keeping.current = false;
    bench.stopTrying();
    cellAt(...active)?.focus();
  };
  const paste = (text: string) => {
    const pasted = text
      .replace(/\r?\n$/, "")
      .split(/\r?\n/)
      .map((line) => line.split("\t"));
    const [top, left] = marked();
    const edits = pasted.flatMap((line, dr) =>
      line.flatMap((value, dc) => {
        const cell = at(top + dr, left + dc);
        return cell ? [editOf(bench.draft.document, cell.path, meaning(cell.column, value.trim()))] : [];
      }),
    );
    void bench.paste(edits);
  };
  const copied = (): string =>
    block()
      .map((line) => line.map(({ r, c }) => at(r, c)?.text ?? "").join("\t"))
      .join("\n");
  /** The first row of what is marked, or the cell above a single one, fills the rest. */
  const fillDown = () => {
    const [top, left, bottom, right] = marked();
    const from = top === bottom ? top - 1 : top;
    const edits = [];
    for (let r = from + 1; r <= bottom; r++) {
      for (let c = left; c <= right; c++) {
        const source = at(from, c);
        const cell = at(r, c);
        if (source && cell) edits.push(editOf(bench.draft.document, cell.path, meaning(cell.column, source.text)));
      }
    }
    if (edits.length > 0) void bench.paste(edits);
  };
  const clear = () =>
    void bench.paste(
      block()
        .flat()
        .flatMap(({ r, c }) => {
          const cell = at(r, c);
          return cell && !cell.column.choices
            ? [editOf(bench.draft.document, cell.path, meaning(cell.column, ""))]
            : [];
        }),
    );

  /** Whether something concerns the cells, not a text being typed among them. */
  const onCells = (event: ClipboardEvent): boolean =>
    typed === null && !(event.target as HTMLElement).matches("input, select, textarea");

  const onCellKey = (event: KeyboardEvent, r: number, c: number) => {
    const cell = at(r, c);
    if (!cell || event.target !== event.currentTarget) return;
    const moves: Record<string, [number, number]> = {
      ArrowUp: [r - 1, c],
      ArrowDown: [r + 1, c],
      ArrowLeft: [r, c - 1],
      ArrowRight: [r, c + 1],
    };
    const to = moves[event.key];
    if (to && !event.altKey) {
      event.preventDefault();
      move(...to, event.shiftKey);
    } else if (event.key === "Enter" || event.key === "F2") {
      event.preventDefault();
      type(cell.path, cell.column, cell.text);
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      clear();
    } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "d") {
      event.preventDefault();
      fillDown();
    } else if (event.key === " " && openRow) {
      event.preventDefault();
      openRow(cell.row);
    } else if (
      event.key.length === 1 &&
      !event.ctrlKey &&
      !event.metaKey &&
      !event.altKey &&
      !["/", "?", "[", "]"].includes(event.key) &&
      !cell.column.choices
    ) {
      event.preventDefault();
      event.stopPropagation();
      type(cell.path, cell.column, event.key);
    }
  };
  /** What is suggested for a cell and goes on from what is typed. */
  const completions = (text: string, cell: ReturnType<typeof at>): string[] =>
    cell && suggest
      ? [...new Set(suggest(cell.row, cell.column))]
          .filter((each) => each !== text && each.startsWith(text))
          .slice(0, 8)
      : [];

  const onInputKey = async (event: KeyboardEvent, r: number, c: number) => {
    event.stopPropagation();
    if (event.key === "Escape") leave();
    if (event.key === "Enter" || event.key === "Tab") {
      event.preventDefault();
      if (!(await keep(r, c))) return;
      if (event.key === "Enter") move(r + 1, c);
      else move(r, event.shiftKey ? c - 1 : c + 1);
    }
  };

  return (
    <div className="overflow-x-auto">
      <table
        ref={table}
        role="grid"
        aria-label={label}
        className="w-full min-w-[44rem] table-fixed border-collapse"
        onPaste={(event) => onCells(event) && paste(event.clipboardData.getData("text/plain"))}
        onCopy={(event) => {
          if (!onCells(event)) return;
          event.preventDefault();
          event.clipboardData.setData("text/plain", copied());
        }}
        aria-rowcount={rows.length + 1}
      >
        <thead>
          <tr className="border-b border-base-content align-bottom">
            <th scope="col" className="w-28 sm:w-44 py-1 pe-2 text-start text-xs font-semibold">
              {corner}
            </th>
            {columns.map((column) => (
              <th key={column.id} scope="col" className="px-2 py-1 text-start text-xs">
                <Head thing={column} open={openColumn && (() => openColumn(column))} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Gap height={above} span={columns.length + 1} />}
          {shown.map(([row, r]) => (
            <Fragment key={row.id}>
              <tr
                aria-rowindex={long ? r + 2 : undefined}
                className={`border-b border-base-300 ${active[0] === r && rows.length > 1 ? "lit" : "bg-base-100"}`}
              >
                <th scope="row" className="sticky start-0 z-5 bg-inherit py-0.5 pe-2 text-start leading-tight">
                  <Head thing={row} open={openRow && (() => openRow(row))} />
                </th>
                {columns.map((column, c) => {
                  const path = pathOf(row, column);
                  const text = textOf(row, column);
                  const here = active[0] === r && active[1] === c;
                  const editing = here && typed !== null;
                  const small = smallOf?.(row, column);
                  const wrong =
                    bench.problems.some((problem) => problem.path === path) ||
                    (bench.problems.length > 0 && bench.at === path && editing);
                  return (
                    <td
                      key={column.id}
                      role="gridcell"
                      data-cell={`${r}-${c}`}
                      data-path={path}
                      tabIndex={here ? 0 : -1}
                      aria-label={`${row.name}, ${column.name}`}
                      aria-invalid={wrong || undefined}
                      aria-selected={here}
                      className={`relative h-9 border-s border-base-300 px-2 py-0.5 align-middle leading-tight wrap-anywhere ${here ? "outline-2 -outline-offset-1 outline-accent" : ""} ${column.figures === false ? "" : "font-mono text-xs"} ${text ? "" : "hatch quiet"} ${bench.lit.has(path) || isMarked(r, c) ? "lit" : ""} ${wrong ? "outline-2 outline-error" : ""}`}
                      onFocus={() => {
                        if (typed !== null && here) return;
                        setActive([r, c]);
                        bench.setAt(path);
                        onActive?.(row, column);
                      }}
                      onMouseDown={(event) => {
                        if (event.shiftKey) {
                          event.preventDefault();
                          move(r, c, true);
                        } else setAnchor(null);
                      }}
                      onDoubleClick={() => type(path, column, text)}
                      onKeyDown={(event) => onCellKey(event, r, c)}
                    >
                      {editing && column.choices ? (
                        <select
                          autoFocus
                          aria-label={`${row.name}, ${column.name}`}
                          className="absolute inset-0 bg-base-100 px-1"
                          value={typed}
                          onChange={(event) => {
                            void bench.set(path, meaning(column, event.target.value));
                            setTyped(null);
                          }}
                          onBlur={() => setTyped(null)}
                          onKeyDown={(event) => event.key === "Escape" && leave()}
                        >
                          {column.choices.map((choice) => (
                            <option key={choice.id} value={choice.id}>
                              {choice.name}
                            </option>
                          ))}
                        </select>
                      ) : editing ? (
                        <input
                          autoFocus
                          aria-label={`${row.name}, ${column.name}`}
                          aria-invalid={wrong || undefined}
                          aria-describedby="sheet-reading"
                          list={suggest ? "sheet-suggestions" : undefined}
                          className="absolute inset-0 z-10 min-w-full border-2 border-accent bg-base-100 px-2 font-mono text-xs outline-none"
                          value={typed}
                          size={Math.max(10, typed.length)}
                          onChange={(event) => type(path, column, event.target.value)}
                          onKeyDown={(event) => void onInputKey(event, r, c)}
                          onBlur={() => void keep(r, c)}
                        />
                      ) : (
                        <>
                          {(column.choices?.find((choice) => choice.id === text)?.name ?? text) || (
                            <span className="font-sans">{empty}</span>
                          )}
                          {small && <span className="ms-2 font-sans text-xs quiet">{small}</span>}
                        </>
                      )}
                    </td>
                  );
                })}
              </tr>
              {unfold?.(row) && (
                <tr>
                  <td colSpan={columns.length + 1} className="bg-base-100">
                    {unfold(row)}
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
          {below > 0 && <Gap height={below} span={columns.length + 1} />}
        </tbody>
      </table>
      {suggest && typed !== null && (
        <datalist id="sheet-suggestions">
          {completions(typed, at(...active)).map((text) => (
            <option key={text} value={text} />
          ))}
        </datalist>
      )}
    </div>
  );
}

function Head({ thing, open }: { thing: Row; open?: () => void }) {
  const inside = (
    <>
      <span className="block truncate font-semibold">{thing.name}</span>
      {thing.note && <span className="block truncate text-xs font-normal quiet">{thing.note}</span>}
    </>
  );
  return open ? (
    <button
      type="button"
      className="w-full cursor-pointer text-start hover:underline"
      onClick={open}
      title={thing.note}
    >
      {inside}
    </button>
  ) : (
    inside
  );
}

/** Stands for rows that are not drawn. */
function Gap({ height, span }: { height: number; span: number }) {
  return (
    <tr>
      <td colSpan={span} style={{ height }} />
    </tr>
  );
}
