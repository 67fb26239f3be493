import { describe, expect, it } from "vitest";
import { between, filledDown, holds, inside, linesOf, pasted, tabbed } from "./cells";

describe("a block of cells", () => {
  it("lies between two cells, whichever is first", () => {
    expect(between([3, 1], [1, 2])).toEqual({ top: 1, left: 1, bottom: 3, right: 2 });
    expect(holds(between([3, 1], [1, 2]), [2, 2])).toBe(true);
    expect(holds(between([3, 1], [1, 2]), [2, 3])).toBe(false);
  });

  it("is read line by line", () => {
    expect(linesOf(between([1, 0], [2, 1]))).toEqual([
      [
        [1, 0],
        [1, 1],
      ],
      [
        [2, 0],
        [2, 1],
      ],
    ]);
  });

  it("ends at the sheet's edge", () => {
    expect(inside([-1, 7], 3, 4)).toEqual([0, 3]);
    expect(inside([9, 0], 3, 4)).toEqual([2, 0]);
  });

  it("is copied and pasted as spreadsheets write it, whichever line ends they use", () => {
    const text = tabbed([
      ["5.90", "free"],
      ["", "7.20"],
    ]);
    expect(text).toBe("5.90\tfree\n\t7.20");
    expect(pasted(`${text.replace("\n", "\r\n")}\r\n`, [2, 1])).toEqual([
      { cell: [2, 1], text: "5.90" },
      { cell: [2, 2], text: "free" },
      { cell: [3, 1], text: "" },
      { cell: [3, 2], text: "7.20" },
    ]);
  });

  it("is filled down from its first row, a single row from the one above, the first row from nothing", () => {
    expect(filledDown(between([1, 0], [3, 0]))).toEqual([
      { from: [1, 0], to: [2, 0] },
      { from: [1, 0], to: [3, 0] },
    ]);
    expect(filledDown(between([2, 1], [2, 1]))).toEqual([{ from: [1, 1], to: [2, 1] }]);
    expect(filledDown(between([0, 0], [0, 1]))).toEqual([]);
  });
});
