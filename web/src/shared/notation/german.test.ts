// @vitest-environment happy-dom
import { beforeAll, describe, expect, it } from "vitest";
import { speak } from "../say";
import type { Notation } from "./notation";

/** On a German desk; names of days and months are those of CLDR 47, as the browser has them. */
describe("notations in German", () => {
  let notations: Record<string, Notation> = {};
  beforeAll(async () => {
    await speak("de");
    notations = { ...(await import("./goods")), ...(await import("./hours")), ...(await import("./days")) } as never;
  });

  it.each<[string, unknown, string]>([
    [
      "sale",
      { price: "39.00", window: { from: "2026-12-01", to: "2026-12-24" } },
      "39,00 ab 1. Dez. 2026 bis 24. Dez. 2026",
    ],
    ["breaks", [{ from: "10", price: "7.50" }], "10: 7,50"],
    ["measure", { unit: "m", step: "0.05", least: "0.5", most: "50" }, "m in Schritten von 0,05 ab 0,5 bis 50"],
    ["own", { alone: "7.00", withOthers: "1.50" }, "7,00 allein, 1,50 mit anderem"],
    ["renewal", { every: 2, unit: "weeks" }, "2 Wochen"],
    ["days", [{ from: "2026-12-24", to: "2026-12-24" }], "24. Dez. 2026"],
    ["hours", [{ days: ["monday", "tuesday", "wednesday"], from: "09:00", to: "17:00" }], "mo-mi 09:00-17:00"],
  ])("%s %j", (name, value, text) => {
    expect(notations[name]?.write(value)).toBe(text);
    expect(notations[name]?.read(text)).toEqual(value);
  });

  it.each<[string, string, unknown]>([
    [
      "hours",
      "Montag bis Mittwoch 9 bis 17 Uhr",
      [{ days: ["monday", "tuesday", "wednesday"], from: "09:00", to: "17:00" }],
    ],
    ["hours", "täglich 9-17", [expect.objectContaining({ from: "09:00", to: "17:00" })]],
    ["hours", "mon-wed 9-17", [{ days: ["monday", "tuesday", "wednesday"], from: "09:00", to: "17:00" }]],
    ["renewal", "alle 2 Wochen", { every: 2, unit: "weeks" }],
    ["renewal", "1 month", { every: 1, unit: "months" }],
    [
      "days",
      "24. Dezember 2026; 24.12.2026 bis 26.12.2026",
      [expect.anything(), { from: "2026-12-24", to: "2026-12-26" }],
    ],
    ["measure", "m by 0.05 from 0.5 to 50", { unit: "m", step: "0.05", least: "0.5", most: "50" }],
  ])("%s %s is understood", (name, text, value) => {
    expect(notations[name]?.read(text)).toEqual(value);
  });

  it("takes a comma before three digits for decimals, and guesses nothing of a point", () => {
    expect(notations.breaks?.read("1,250: 7,50")).toEqual([{ from: "1.250", price: "7.50" }]);
    expect(notations.breaks?.read("1.250: 7,50")).toBe("1.250: 7,50");
  });

  it("reads back in German", () => {
    expect(notations.hours?.said?.(notations.hours.read("mo-fr 9-17"))).toBe("Montag bis Freitag: 09:00 bis 17:00.");
  });
});
