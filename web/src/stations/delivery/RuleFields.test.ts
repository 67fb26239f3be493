import { describe, expect, it } from "vitest";
import { textOf } from "./RuleFields";

describe("a rule's fields as the short rule they stand for", () => {
  const one = { bands: [{ upTo: "", price: "5.90" }], unit: "", free: "" };
  const bands = {
    bands: [
      { upTo: "1", price: "4.90" },
      { upTo: "5", price: "7.90" },
    ],
    unit: "kg",
    free: "",
  };
  it.each<[string, Parameters<typeof textOf>[0]]>([
    ["5.90", one],
    ["5.90, from 80 free", { ...one, free: "80" }],
    ["to 1 kg 4.90, to 5 kg 7.90", bands],
    ["to 1 kg 4.90, to 5 kg 7.90, then +0.80/kg", { ...bands, above: { step: "1", price: "0.80" } }],
    ["to 1 kg 4.90, to 5 kg 7.90, then +0.80/2 kg", { ...bands, above: { step: "2", price: "0.80" } }],
    [
      "to 1 items 4.90, to 5 items 7.90, then +0.80/item",
      { ...bands, unit: "items", above: { step: "1", price: "0.80" } },
    ],
    [
      "to 1 kg 4.90",
      {
        ...bands,
        bands: [
          { upTo: "1", price: "4.90" },
          { upTo: "", price: "" },
        ],
      },
    ],
    ["quote parcel-day, else 5.90, from 80 free", { ...one, free: "80", service: "parcel-day" }],
    ["", { ...one, bands: [{ upTo: "", price: "" }] }],
  ])("%s", (text, parts) => {
    expect(textOf(parts)).toBe(text);
  });
});
