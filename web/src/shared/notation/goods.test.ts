import { describe, expect, it } from "vitest";
import { lines, whole, words, yesNo } from "../../shared/notations";
import { bounds, breaks, choices, measure, own, renewal, sale } from "./notations";

const notations = { lines, bounds, breaks, choices, measure, own, renewal, sale, whole, words, yesNo };

describe("what is written is read as what it was", () => {
  it.each<[keyof typeof notations, unknown, string]>([
    [
      "sale",
      { price: "39.00", window: { from: "2026-12-01", to: "2026-12-24" } },
      "39.00 from 2026-12-01 to 2026-12-24",
    ],
    ["sale", { price: "39.00", window: { from: "2026-12-01" } }, "39.00 from 2026-12-01"],
    ["sale", { price: "39.00", window: { to: "2026-12-24" } }, "39.00 to 2026-12-24"],
    ["sale", { price: "39.00", window: {} }, "39.00"],
    [
      "breaks",
      [
        { from: "10", price: "7.50" },
        { from: "50", percent: "12" },
      ],
      "10: 7.50; 50: 12 %",
    ],
    ["breaks", [], ""],
    ["measure", { unit: "m", step: "0.05", least: "0.5", most: "50" }, "m by 0.05 from 0.5 to 50"],
    ["bounds", { least: "5.00", most: "500.00" }, "5.00 to 500.00"],
    ["own", { alone: "7.00", withOthers: "1.50" }, "7.00 alone, 1.50 with others"],
    ["renewal", { every: 1, unit: "months" }, "1 months"],
    ["renewal", { every: 1, unit: "months", on: 15 }, "1 months on 15"],
    ["choices", { size: "large", colour: "red" }, "size=large, colour=red"],
    ["words", ["gear", "books"], "gear books"],
    ["lines", ["7 Example Dock Road", "Galway"], "7 Example Dock Road, Galway"],
    ["whole", 3, "3"],
    ["yesNo", true, "yes"],
    ["yesNo", false, "no"],
  ])("%s %j", (name, value, text) => {
    expect(notations[name].write(value)).toBe(text);
    expect(notations[name].read(text)).toEqual(value);
  });
});

describe("nothing written is no value", () => {
  it.each(["sale", "measure", "bounds", "own", "renewal", "whole"] as const)("%s", (name) => {
    expect(notations[name].write(undefined)).toBe("");
    expect(notations[name].read("  ")).toBeUndefined();
  });
});

describe("what cannot be read is handed on as it was typed, for the server to say what is wrong", () => {
  it.each<[keyof typeof notations, string]>([
    ["sale", "cheap from tomorrow"],
    ["breaks", "10: 7.50; many: less"],
    ["measure", "by the metre"],
    ["bounds", "5 and more"],
    ["own", "7.00"],
    ["renewal", "monthly"],
    ["choices", "size"],
    ["whole", "three"],
  ])("%s %s", (name, text) => {
    expect(notations[name].read(text)).toBe(text);
  });
});
