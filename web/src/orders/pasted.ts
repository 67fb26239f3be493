/** A parcel's number as it stands in a carrier's file. */
export interface PastedNumber {
  order: number;
  tracking: string;
}

/** What of a pasted text was understood, and the lines that were not. */
export interface Pasted {
  numbers: PastedNumber[];
  left: string[];
}

/**
 * Numbers pasted from a carrier's file: an order and its parcel on each line, between them a tab, a semicolon, a comma or
 * spaces, in whichever columns they stand. The order is the cell that is one of those chosen; of the others the longest
 * with a digit in it is the parcel's. A line with neither, such as the heading, is left aside and told.
 */
export function pastedNumbers(text: string, chosen: readonly number[]): Pasted {
  const numbers: PastedNumber[] = [];
  const left: string[] = [];
  for (const line of text.split(/\r?\n/).filter((each) => each.trim() !== "")) {
    const divided = /[\t;,]/.test(line) ? line.split(/[\t;,]/) : line.split(/\s+/);
    const cells = divided
      .map((cell) =>
        cell
          .trim()
          .replace(/^"(.*)"$/, "$1")
          .trim(),
      )
      .filter(Boolean);
    const at = cells.findIndex((cell) => chosen.includes(Number(cell.replace(/^#/, ""))));
    const tracking = cells
      .filter((cell, index) => index !== at && /\d/.test(cell))
      .sort((a, b) => b.length - a.length)[0];
    if (at < 0 || !tracking) left.push(line.trim());
    else numbers.push({ order: Number((cells[at] ?? "").replace(/^#/, "")), tracking });
  }
  return { numbers, left };
}
