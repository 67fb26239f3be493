import { describe, expect, it } from "vitest";
import { days, readDay, window } from "./days";
import { weekdays } from "./hours";

describe("a day as people write it", () => {
  it.each([
    ["2026-12-24", "2026-12-24"],
    ["24.12.2026", "2026-12-24"],
    ["24. 12. 2026", "2026-12-24"],
    ["24 Dec 2026", "2026-12-24"],
    ["24th December 2026", "2026-12-24"],
    ["Dec. 24, 2026", "2026-12-24"],
    ["24/12/2026", "2026-12-24"],
    ["12/24/2026", "2026-12-24"],
    ["5/5/2026", "2026-05-05"],
    // Two readings: none is guessed.
    ["3/4/2026", undefined],
    ["31 Feb 2026", undefined],
    ["2026-02-30", undefined],
    ["soon", undefined],
  ])("%s", (text, day) => {
    expect(readDay(text)).toBe(day);
  });
});

describe("a span of days", () => {
  it.each<[unknown, string]>([
    [{ from: "2026-12-01", to: "2026-12-24" }, "1 Dec 2026 to 24 Dec 2026"],
    [{ from: "2026-12-01" }, "from 1 Dec 2026"],
    [{ to: "2026-12-24" }, "to 24 Dec 2026"],
  ])("%j", (span, text) => {
    expect(window.write(span)).toBe(text);
    expect(window.read(text)).toEqual(span);
    expect(window.fields?.value(window.fields.rows(span))).toEqual(span);
    expect(window.said?.(span)).toMatch(/\.$/);
  });

  it("is handed on where a day in it cannot be read", () => {
    expect(window.read("1 Dec 2026 to whenever")).toBe("1 Dec 2026 to whenever");
    expect(window.read("")).toBeUndefined();
  });
});

describe("days off", () => {
  const closed = [
    { from: "2026-12-24", to: "2026-12-24" },
    { from: "2026-12-27", to: "2027-01-02" },
  ];
  it.each([
    "24 Dec 2026; 27 Dec 2026 to 2 Jan 2027",
    "2026-12-24, 2026-12-27 to 2027-01-02",
    "Dec 24, 2026, 27.12.2026 – 2.1.2027",
  ])("%s", (text) => {
    expect(days.read(text)).toEqual(closed);
  });
  it("are written, and taken apart", () => {
    expect(days.write(closed)).toBe("24 Dec 2026; 27 Dec 2026 to 2 Jan 2027");
    expect(days.fields?.value(days.fields.rows(closed))).toEqual(closed);
    expect(days.read("")).toEqual([]);
  });
});

describe("days of the week", () => {
  it.each<[string, string[]]>([
    ["Monday to Wednesday", ["monday", "tuesday", "wednesday"]],
    ["mon, wed and fri", ["monday", "wednesday", "friday"]],
  ])("%s", (text, value) => {
    expect(weekdays.read(text)).toEqual(value);
    expect(weekdays.read(weekdays.write(value))).toEqual(value);
  });
});
