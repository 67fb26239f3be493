import { useVirtualizer, type Virtualizer } from "@tanstack/react-virtual";
import type { RefObject } from "react";

/** More rows than this are drawn only where they can be seen. */
const LONG = 120;

interface Drawn<T> {
  /** Rows that are drawn, each with its place among all of them. */
  shown: [T, number][];
  /** Heights of what is not drawn above and below, in CSS pixels. */
  above: number;
  below: number;
  long: boolean;
  /** Brings a row to where it is drawn. */
  reveal: ((row: number) => void) | undefined;
  /** Given to a row whose height is its own. */
  measure: Virtualizer<HTMLElement, HTMLElement>["measureElement"] | undefined;
}

/**
 * The rows of a table that are drawn: all of a short one, of a long one those near what is on the screen.
 *
 * @param height of a usual row, in CSS pixels
 */
export function useDrawnRows<T>(
  rows: T[],
  table: RefObject<HTMLTableElement | null>,
  height: number,
  most = LONG,
): Drawn<T> {
  const long = rows.length > most;
  // What stands above the table in what scrolls.
  const main = table.current?.closest("main");
  const margin =
    main && table.current
      ? table.current.getBoundingClientRect().top - main.getBoundingClientRect().top + main.scrollTop
      : 0;
  const virtual = useVirtualizer<HTMLElement, HTMLElement>({
    count: rows.length,
    getScrollElement: () => table.current?.closest("main") ?? null,
    estimateSize: () => height,
    overscan: 12,
    scrollMargin: margin,
    enabled: long,
  });
  if (!long)
    return {
      shown: rows.map((row, at) => [row, at]),
      above: 0,
      below: 0,
      long,
      reveal: undefined,
      measure: undefined,
    };
  const drawn = virtual.getVirtualItems();
  return {
    shown: drawn.flatMap((item): [T, number][] => {
      const row = rows[item.index];
      return row === undefined ? [] : [[row, item.index]];
    }),
    above: Math.max(0, (drawn[0]?.start ?? margin) - margin),
    below: Math.max(0, virtual.getTotalSize() - ((drawn.at(-1)?.end ?? margin) - margin)),
    long,
    reveal: (row) => virtual.scrollToIndex(row),
    measure: virtual.measureElement,
  };
}
