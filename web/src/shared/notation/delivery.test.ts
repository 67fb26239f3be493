import { describe, expect, it } from "vitest";
import { dayText, point, volume } from "./notations";
import { textOf } from "./RuleFields";

describe("working days", () => {
  it.each<[string, unknown]>([
    ["2-4", { from: 2, to: 4 }],
    ["1", { from: 1, to: 1 }],
    ["", undefined],
  ])("%s", (text, value) => {
    expect(dayText.write(value)).toBe(text);
    expect(dayText.read(text)).toEqual(value);
  });

  it("takes a long dash and hands on what is no number of days", () => {
    expect(dayText.read("2 – 4")).toEqual({ from: 2, to: 4 });
    expect(dayText.read("soon")).toBe("soon");
  });
});

describe("a point on the map", () => {
  it("is latitude and longitude with a comma", () => {
    const galway = { latitude: "53.2707", longitude: "-9.0568" };
    expect(point.write(galway)).toBe("53.2707, -9.0568");
    expect(point.read("53.2707, -9.0568")).toEqual(galway);
    expect(point.read("53.2707 -9.0568")).toEqual(galway);
    expect(point.read("")).toBeUndefined();
    expect(point.read("by the harbour")).toBe("by the harbour");
  });
});

describe("weight by volume", () => {
  it.each<[string, unknown]>([
    ["5000 cm3/kg by 0.5 kg", { divisor: "5000", unit: "cm3-per-kg", step: "0.5 kg" }],
    ["139 in3/lb", { divisor: "139", unit: "in3-per-lb" }],
    ["", undefined],
  ])("%s", (text, value) => {
    expect(volume.write(value)).toBe(text);
    expect(volume.read(text)).toEqual(value);
  });

  it("takes a raised three and hands on what it cannot read", () => {
    expect(volume.read("6000 cm³/kg")).toEqual({ divisor: "6000", unit: "cm3-per-kg" });
    expect(volume.read("by size")).toBe("by size");
  });
});

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
    ["", { ...one, bands: [{ upTo: "", price: "" }] }],
  ])("%s", (text, parts) => {
    expect(textOf(parts)).toBe(text);
  });
});
