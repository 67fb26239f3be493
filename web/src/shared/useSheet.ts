import { type KeyboardEvent, useEffect, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { useActs, useBench, useMarks, useSpotlight } from "../desk/bench";
import { between, type Cell, filledDown, holds, inside, linesOf, pasted, tabbed } from "./cells";
import { editOf, type SetupPath } from "./paths";

export interface Row {
  id: string;
  name: string;
  note?: string;
}

/** @typeParam Id ids a column may have, where they are fields of what a row stands for */
export interface Column<Id extends string = string> extends Row {
  id: Id;
  choices?: { id: string; name: string }[];
  figures?: boolean;
  /** What a typed text means, where it is not the text itself. */
  read?: (text: string) => unknown;
}

export interface SheetCells<Id extends string> {
  rows: Row[];
  columns: Column<Id>[];
  pathOf: (row: Row, column: Column<Id>) => SetupPath;
  textOf: (row: Row, column: Column<Id>) => string;
  openRow?: (row: Row) => void;
  /** Where a cell stands on the page, to put the cursor there. */
  element: (cell: Cell) => HTMLElement | null | undefined;
  /** Brings a row into sight before the cursor goes there. */
  reveal?: ((row: number) => void) | undefined;
}

/** Keys that belong to the desk wherever the cursor is. */
const DESK_KEYS = ["/", "?", "[", "]"];

/** What a sheet does, without how it looks: one cell is active, others are marked, one may be typed in. */
export function useSheet<Id extends string>({
  rows,
  columns,
  pathOf,
  textOf,
  openRow,
  element,
  reveal,
}: SheetCells<Id>) {
  const bench = useBench();
  const spotlight = useSpotlight();
  const marks = useMarks();
  const acts = useActs();
  const [active, setActive] = useState<Cell>([0, 0]);
  /** The other corner of what is marked. */
  const [anchor, setAnchor] = useState<Cell | null>(null);
  const [typed, setTyped] = useState<string | null>(null);
  // Keeping a cell takes its input away, which blurs it, which would keep it again.
  const keeping = useRef(false);
  const focusing = useRef(false);

  const move = (to: Cell, marking = false) => {
    const next = inside(to, rows.length, columns.length);
    setAnchor(marking ? (anchor ?? active) : null);
    setActive(next);
    reveal?.(next[0]);
    focusing.current = true;
  };
  useLayoutEffect(() => {
    if (!focusing.current) return;
    const cell = element(active);
    if (!cell) return;
    focusing.current = false;
    cell.focus({ preventScroll: reveal !== undefined });
  });

  useEffect(() => {
    const r = rows.findIndex((row) => columns.some((column) => pathOf(row, column) === spotlight.wanted));
    const row = rows[r];
    if (!row) return;
    marks.arrived();
    move([r, columns.findIndex((column) => pathOf(row, column) === spotlight.wanted)]);
  });

  const at = ([r, c]: Cell) => {
    const row = rows[r];
    const column = columns[c];
    return row && column ? { row, column, path: pathOf(row, column), text: textOf(row, column) } : null;
  };
  const marked = () => between(anchor ?? active, active);
  const meaning = (column: Column, text: string): unknown => (column.read ? column.read(text) : text);
  const edit = (cell: Cell, text: string) => {
    const there = at(cell);
    return there ? [editOf(bench.draft.document, there.path, meaning(there.column, text))] : [];
  };
  const type = (cell: Cell, text: string) => {
    const there = at(cell);
    if (!there) return;
    setTyped(text);
    acts.try(there.path, meaning(there.column, text));
  };
  const keep = async (cell: Cell): Promise<boolean> => {
    const there = at(cell);
    if (!there || typed === null || keeping.current) return true;
    keeping.current = true;
    const kept = typed === there.text || (await acts.set(there.path, meaning(there.column, typed)));
    if (kept) {
      flushSync(() => setTyped(null));
      acts.stopTrying();
    }
    keeping.current = false;
    return kept;
  };
  const leave = () => {
    keeping.current = true;
    flushSync(() => setTyped(null));
    keeping.current = false;
    acts.stopTrying();
    element(active)?.focus();
  };
  const choose = (cell: Cell, chosen: string) => {
    const there = at(cell);
    if (there) void acts.set(there.path, meaning(there.column, chosen));
    setTyped(null);
  };

  const paste = (text: string) => {
    const { top, left } = marked();
    void acts.paste(pasted(text, [top, left]).flatMap((each) => edit(each.cell, each.text)));
  };
  const copied = (): string => tabbed(linesOf(marked()).map((line) => line.map((cell) => at(cell)?.text ?? "")));
  const fillDown = () => {
    const edits = filledDown(marked()).flatMap(({ from, to }) => edit(to, at(from)?.text ?? ""));
    if (edits.length > 0) void acts.paste(edits);
  };
  const clear = () =>
    void acts.paste(
      linesOf(marked())
        .flat()
        .flatMap((cell) => (at(cell)?.column.choices ? [] : edit(cell, ""))),
    );

  const onCellKey = (event: KeyboardEvent, cell: Cell) => {
    const there = at(cell);
    if (!there || event.target !== event.currentTarget) return;
    const [r, c] = cell;
    const moves: Record<string, Cell> = {
      ArrowUp: [r - 1, c],
      ArrowDown: [r + 1, c],
      ArrowLeft: [r, c - 1],
      ArrowRight: [r, c + 1],
    };
    const to = moves[event.key];
    const held = event.ctrlKey || event.metaKey;
    if (to && !event.altKey) {
      event.preventDefault();
      move(to, event.shiftKey);
    } else if (event.key === "Enter" || event.key === "F2") {
      event.preventDefault();
      type(cell, there.text);
    } else if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      clear();
    } else if (held && event.key.toLowerCase() === "d") {
      event.preventDefault();
      fillDown();
    } else if (event.key === " " && openRow) {
      event.preventDefault();
      openRow(there.row);
    } else if (
      event.key.length === 1 &&
      !held &&
      !event.altKey &&
      !DESK_KEYS.includes(event.key) &&
      !there.column.choices
    ) {
      event.preventDefault();
      event.stopPropagation();
      type(cell, event.key);
    }
  };
  const onInputKey = async (event: KeyboardEvent, cell: Cell) => {
    event.stopPropagation();
    if (event.key === "Escape") leave();
    if (event.key === "Enter" || event.key === "Tab") {
      event.preventDefault();
      if (!(await keep(cell))) return;
      const [r, c] = cell;
      move(event.key === "Enter" ? [r + 1, c] : [r, event.shiftKey ? c - 1 : c + 1]);
    }
  };
  const onFocus = (cell: Cell) => {
    const there = at(cell);
    if (!there || (typed !== null && isActive(cell))) return;
    setActive(cell);
    marks.setAt(there.path);
  };
  const isActive = ([r, c]: Cell): boolean => active[0] === r && active[1] === c;

  return {
    active,
    /** What is typed into the active cell, or null. */
    typed,
    at,
    isActive,
    isMarked: (cell: Cell): boolean => anchor !== null && holds(marked(), cell),
    move,
    unmark: () => setAnchor(null),
    type,
    keep,
    leave,
    choose,
    stopChoosing: () => setTyped(null),
    paste,
    copied,
    onCellKey,
    onInputKey,
    onFocus,
  };
}
