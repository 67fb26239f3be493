import { describe, expect, it } from "vitest";
import { bounds, breaks, measure, own, renewal, sale } from "./goods";
import type { Notation } from "./notation";
import { lines, whole, yesNo } from "./plain";

const notations = { lines, bounds, breaks, measure, own, renewal, sale, whole, yesNo };

describe("what is written is read as what it was", () => {
  it.each<[keyof typeof notations, unknown, string]>([
    [
      "sale",
      { price: "39.00", window: { from: "2026-12-01", to: "2026-12-24" } },
      "39.00 from 1 Dec 2026 to 24 Dec 2026",
    ],
    ["sale", { price: "39.00", window: { from: "2026-12-01" } }, "39.00 from 1 Dec 2026"],
    ["sale", { price: "39.00", window: { to: "2026-12-24" } }, "39.00 to 24 Dec 2026"],
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
    ["renewal", { every: 1, unit: "months" }, "1 month"],
    ["renewal", { every: 1, unit: "months", on: 15 }, "1 month on 15"],
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

describe("what people write is understood", () => {
  it.each<[keyof typeof notations, string, unknown]>([
    [
      "sale",
      "39,00 from 2026-12-01 to 2026-12-24",
      { price: "39.00", window: { from: "2026-12-01", to: "2026-12-24" } },
    ],
    ["sale", "39 to December 24, 2026", { price: "39", window: { to: "2026-12-24" } }],
    ["sale", "39 1.12.2026 – 24.12.2026", { price: "39", window: { from: "2026-12-01", to: "2026-12-24" } }],
    [
      "breaks",
      "from 10: 7,50\n50 = 12%",
      [
        { from: "10", price: "7.50" },
        { from: "50", percent: "12" },
      ],
    ],
    ["measure", "m by 0,05 from 0,5 to 50", { unit: "m", step: "0.05", least: "0.5", most: "50" }],
    ["bounds", "from 5 - 500", { least: "5", most: "500" }],
    ["breaks", "0,125: 7.50", [{ from: "0.125", price: "7.50" }]],
    ["breaks", "1200: 7.50", [{ from: "1200", price: "7.50" }]],
    ["renewal", "every month", { every: 1, unit: "months" }],
    ["renewal", "monthly", { every: 1, unit: "months" }],
    ["renewal", "2 weeks", { every: 2, unit: "weeks" }],
    ["renewal", "1 months on the 15", { every: 1, unit: "months", on: 15 }],
  ])("%s %s", (name, text, value) => {
    expect(notations[name].read(text)).toEqual(value);
  });
});

describe("what a notation takes apart into fields it puts together again", () => {
  it.each<[keyof typeof notations, unknown]>([
    ["sale", { price: "39.00", window: { from: "2026-12-01" } }],
    [
      "breaks",
      [
        { from: "10", price: "7.50" },
        { from: "50", percent: "12" },
      ],
    ],
    ["measure", { unit: "m", step: "0.05", least: "0.5", most: "50" }],
    ["bounds", { least: "5.00", most: "500.00" }],
    ["own", { alone: "7.00", withOthers: "1.50" }],
    ["renewal", { every: 1, unit: "months", on: 15 }],
  ])("%s %j", (name, value) => {
    const { fields, said } = notations[name] as Notation;
    expect(fields?.value(fields.rows(value))).toEqual(value);
    expect(fields?.rows(value)[0]?.length).toBe(fields?.columns.length);
    expect(said?.(value)).toMatch(/^[A-Z0-9].*\.$/);
  });
});

describe("what cannot be read is handed on as it was typed, for the server to say what is wrong", () => {
  it.each<[keyof typeof notations, string]>([
    ["sale", "cheap from tomorrow"],
    ["breaks", "10: 7.50; many: less"],
    ["measure", "by the metre"],
    ["bounds", "5 and more"],
    ["own", "7.00"],
    ["renewal", "now and then"],
    // Twelve hundred, or a little more than one.
    ["breaks", "1,200: 7.50"],
    ["sale", "1,200"],
    ["bounds", "1,000 to 2,000"],
    ["whole", "three"],
  ])("%s %s", (name, text) => {
    expect(notations[name].read(text)).toBe(text);
  });
});
