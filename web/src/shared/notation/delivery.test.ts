import { describe, expect, it } from "vitest";
import { dayText, point, volume } from "./delivery";

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
