/** A cell of a sheet by its row and column, from 0. */
export type Cell = readonly [row: number, column: number];

/** A rectangle of cells, its corners included. */
export interface Block {
  top: number;
  left: number;
  bottom: number;
  right: number;
}

/** What lies between two cells. */
export const between = (a: Cell, b: Cell): Block => ({
  top: Math.min(a[0], b[0]),
  left: Math.min(a[1], b[1]),
  bottom: Math.max(a[0], b[0]),
  right: Math.max(a[1], b[1]),
});

export const holds = (block: Block, [row, column]: Cell): boolean =>
  row >= block.top && row <= block.bottom && column >= block.left && column <= block.right;

/** The cells of a block, line by line. */
export const linesOf = (block: Block): Cell[][] =>
  Array.from({ length: block.bottom - block.top + 1 }, (_, line) =>
    Array.from({ length: block.right - block.left + 1 }, (_, place): Cell => [block.top + line, block.left + place]),
  );

/** A cell of a sheet of this size, at its edge where it would lie outside. */
export const inside = ([row, column]: Cell, rows: number, columns: number): Cell => [
  Math.max(0, Math.min(rows - 1, row)),
  Math.max(0, Math.min(columns - 1, column)),
];

/** A copied block as spreadsheets write it: cells with tabs between them, rows on lines. */
export const tabbed = (lines: readonly (readonly string[])[]): string =>
  lines.map((line) => line.join("\t")).join("\n");

/** A pasted block, each text with the cell it falls on when the first falls on this one. */
export const pasted = (text: string, [top, left]: Cell): { cell: Cell; text: string }[] =>
  text
    .replace(/\r?\n$/, "")
    .split(/\r?\n/)
    .flatMap((line, down) =>
      line.split("\t").map((value, right) => ({ cell: [top + down, left + right] as const, text: value.trim() })),
    );

/** Which cell each cell of a block is filled from, downwards: from its first row, or a single row from the one above. */
export const filledDown = (block: Block): { from: Cell; to: Cell }[] => {
  const source = block.top === block.bottom ? block.top - 1 : block.top;
  return source < 0
    ? []
    : linesOf({ ...block, top: source + 1 })
        .flat()
        .map((to) => ({ from: [source, to[1]] as const, to }));
};
