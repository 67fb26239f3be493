import { describe, expect, it } from "vitest";
import { hours, painted, type Span, time, week } from "./hours";

const weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday"];

describe("hours as a short text", () => {
  it.each<[string, Span[]]>([
    [
      "mon-fri 10:00-17:00; sat 10:00-13:00",
      [
        { days: weekdays, from: "10:00", to: "17:00" },
        { days: ["saturday"], from: "10:00", to: "13:00" },
      ],
    ],
    ["mon wed fri 15:00-18:00", [{ days: ["monday", "wednesday", "friday"], from: "15:00", to: "18:00" }]],
    ["every day 09:00-12:00", [{ days: [...weekdays, "saturday", "sunday"], from: "09:00", to: "12:00" }]],
    ["sat sun 09:00-12:00", [{ days: ["saturday", "sunday"], from: "09:00", to: "12:00" }]],
  ])("%s", (text, spans) => {
    expect(hours.write(spans)).toBe(text);
    expect(hours.read(text)).toEqual(spans);
  });

  it("drops seconds, fills up hours and takes whole names and commas", () => {
    expect(hours.write([{ days: ["monday"], from: "09:00:00", to: "12:30:00" }])).toBe("mon 09:00-12:30");
    expect(hours.read("Monday, Tuesday 9:00 – 12:30")).toEqual([
      { days: ["monday", "tuesday"], from: "09:00", to: "12:30" },
    ]);
    expect(hours.read("")).toEqual([]);
    expect(hours.write(undefined)).toBe("");
  });

  it.each<[string, string]>([
    ["mon-fri 9-17", "mon-fri 09:00-17:00"],
    ["Monday to Friday 9 to 5", "mon-fri 09:00-17:00"],
    ["mon-fri 9am-5pm, sat 10-13", "mon-fri 09:00-17:00; sat 10:00-13:00"],
    ["mon-fri 9-12, 14-17.30", "mon-fri 09:00-12:00; mon-fri 14:00-17:30"],
    ["9-17", "every day 09:00-17:00"],
    ["daily 9:00 until 17:00", "every day 09:00-17:00"],
    ["sat and sun all day", "sat sun 00:00-23:59"],
    ["fri-mon 10-12", "mon fri sat sun 10:00-12:00"],
    ["Tue, Thu 8:30 – 12", "tue thu 08:30-12:00"],
    ["12am-6am", "every day 00:00-06:00"],
  ])("%s is understood", (text, written) => {
    expect(hours.write(hours.read(text))).toBe(written);
  });

  it.each(["whenever", "mon-fri", "m 10:00-12:00", "mon-fri 10:00-17:00; late", "mon 25-26", "mon 10:75-12"])(
    "%s is handed on as it was typed",
    (text) => {
      expect(hours.read(text)).toBe(text);
    },
  );

  it("is read back in a sentence", () => {
    expect(hours.said?.(hours.read("mon-fri 9-17; sat 10-13"))).toBe(
      "Monday to Friday: 09:00 to 17:00. Saturday: 10:00 to 13:00.",
    );
  });

  it("draws a week in minutes of the day", () => {
    const drawn = week([
      { days: ["monday", "tuesday"], from: "10:00", to: "12:30" },
      { days: ["monday"], from: "14:00", to: "15:00" },
    ]);
    expect(drawn).toHaveLength(7);
    expect(drawn[0]).toEqual({
      day: "monday",
      open: [
        [600, 750],
        [840, 900],
      ],
    });
    expect(drawn[1]?.open).toEqual([[600, 750]]);
    expect(drawn[6]?.open).toEqual([]);
  });
});

describe("a time of the day", () => {
  it.each([
    ["14:00", "14:00"],
    ["2 pm", "14:00"],
    ["9", "09:00"],
    ["14.30", "14:30"],
    ["17 Uhr", "17:00"],
    ["", undefined],
    ["25", "25"],
    ["tea time", "tea time"],
  ])("%s", (text, value) => {
    expect(time.read(text)).toBe(value);
  });

  it("is written without seconds", () => {
    expect(time.write("14:00:00")).toBe("14:00");
    expect(time.write(undefined)).toBe("");
  });
});

describe("painting a week", () => {
  const week: Span[] = [{ days: ["monday", "tuesday"], from: "10:00", to: "17:00" }];

  it("shuts a stretch of one day and leaves the other as it is", () => {
    expect(hours.write(painted(week, "monday", 12 * 60, 13 * 60, false))).toBe(
      "mon 10:00-12:00; mon 13:00-17:00; tue 10:00-17:00",
    );
  });

  it("opens it again and the days share their span again", () => {
    const shut = painted(week, "monday", 12 * 60, 13 * 60, false);
    expect(painted(shut, "monday", 12 * 60, 13 * 60, true)).toEqual(week);
  });

  it("joins what touches and keeps quarters of an hour typed by hand", () => {
    const typed: Span[] = [{ days: ["friday"], from: "09:15", to: "10:00" }];
    expect(hours.write(painted(typed, "friday", 10 * 60, 11 * 60, true))).toBe("fri 09:15-11:00");
    expect(painted(typed, "friday", 9 * 60, 11 * 60, false)).toEqual([]);
  });

  it("opens a day that had none", () => {
    expect(hours.write(painted([], "sunday", 600, 660, true))).toBe("sun 10:00-11:00");
  });
});
