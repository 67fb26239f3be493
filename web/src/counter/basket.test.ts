import { expect, test } from "vitest";
import type { CounterProduct } from "../api/client";
import { moved, sameLine, stepOf } from "./basket";

test("a press of plus adds a piece, or a step of the measure", () => {
  expect(stepOf(undefined)).toBe("1");
  expect(stepOf({ measure: { step: "0.05" } } as unknown as CounterProduct)).toBe("0.05");
  expect(moved("2.35", "0.05", 1)).toBe("2.40");
  expect(moved("1", "1", 3)).toBe("4");
  expect(moved("0.3", "0.1", -3)).toBe("0.0");
});

test("lines are the same when product, choices and amount are", () => {
  const line = { product: "delta-kite", quantity: "1", options: { size: "large" }, answers: {}, contents: [] };
  expect(sameLine(line, { ...line, quantity: "2" })).toBe(true);
  expect(sameLine(line, { ...line, options: { size: "small" }, answers: {}, contents: [] })).toBe(false);
  expect(sameLine({ ...line, amount: "5" }, { ...line, amount: "6" })).toBe(false);
});
