import { deskLocale, say } from "../say";
import { UNTIL, wordsOf } from "./figures";
import type { Notation } from "./notation";

const days = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

export interface Span {
  days: string[];
  from: string;
  to: string;
}

const monday = Date.UTC(2026, 0, 5);
/** The names of the days in a language, Monday first. */
const namesIn = (locale: string, weekday: "long" | "short"): string[] => {
  const format = new Intl.DateTimeFormat(locale, { weekday, timeZone: "UTC" });
  return days.map((_, index) => format.format(monday + index * 86_400_000));
};
const long = namesIn(deskLocale(), "long");
const short = namesIn(deskLocale(), "short").map((name) => name.toLowerCase().replace(/\.$/, ""));
/** What a day may be called: in English and the desk's language, any beginning of two letters and more. */
const called = [days, long.map((name) => name.toLowerCase())];
const indexOf = (text: string): number => {
  const typed = text.toLowerCase().replace(/\.$/, "");
  if (typed.length < 2) return -1;
  return Math.max(...called.map((names) => names.findIndex((name) => name.startsWith(typed))));
};

/** Days of the week in a row as a span, others one by one. */
function dayText(chosen: string[], names: string[], between: string): string {
  const places = chosen.map((day) => days.indexOf(day)).sort((a, b) => a - b);
  const [first = 0] = places;
  const last = places.at(-1) ?? 0;
  if (places.length === 7) return say("everyDay");
  if (places.length > 2 && last - first === places.length - 1)
    return `${names[first] ?? ""}${between}${names[last] ?? ""}`;
  return places.map((place) => names[place] ?? "").join(names === long ? ", " : " ");
}

const TIME = /(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|a\.m\.|p\.m\.|h|uhr|o’clock|o'clock)?/.source;
const ALL_DAY = (): string => wordsOf("all day", "24h", "24 h", say("notationAllDay"));
/** Days, which may be left out, and two times or all day; up to what comes next. */
const PART = (): RegExp =>
  new RegExp(
    `^[\\s;,]*([\\p{L}.,\\s–-]*?)[\\s:]*(?:${TIME}\\s*${UNTIL()}\\s*${TIME}|${ALL_DAY()})\\s*(?=$|[;,\\n]|${wordsOf("and", "und", "&")}\\s)(?:${wordsOf("and", "und", "&")}\\s)?`,
    "iu",
  );

/** "mon-fri 10:00-17:00; sat 10:00-13:00"; read are "Monday to Friday 9 to 5", "9-12, 14-17", "sat all day" as well. */
export const hours: Notation = {
  write: (value) =>
    ((value as Span[] | undefined) ?? [])
      .map((span) => `${dayText(span.days, short, "-")} ${span.from.slice(0, 5)}-${span.to.slice(0, 5)}`)
      .join("; "),
  read: (text) => {
    const spans: Span[] = [];
    let rest = text.trim();
    let before = days;
    while (rest !== "") {
      const found = PART().exec(rest);
      const chosen = found && (found[1]?.trim() ? daysOf(found[1]) : before);
      const span = found && chosen && spanOf(chosen, found);
      if (!span) return text;
      spans.push(span);
      before = chosen;
      rest = rest.slice(found[0].length).replace(/^[\s;,]+/, "");
    }
    return spans;
  },
  said: (value) =>
    ((value as Span[] | undefined) ?? [])
      .map(({ days: on, from, to }) =>
        say("hoursSaid", {
          days: dayText(on, long, ` ${say("notationUntil")} `),
          from: from.slice(0, 5),
          to: to.slice(0, 5),
        }),
      )
      .join(" "),
  example: [
    { days: days.slice(0, 5), from: "10:00", to: "17:00" },
    { days: ["saturday"], from: "10:00", to: "13:00" },
  ],
};

/** A time of the day, as a person writes it; a second one that would be before the first is in the afternoon. */
function spanOf(chosen: string[], found: RegExpExecArray): Span | null {
  const [, , h1, m1, half1, h2, m2, half2] = found;
  if (h1 === undefined) return { days: chosen, from: "00:00", to: "23:59" };
  const from = minuteOf(h1, m1, half1);
  let to = minuteOf(h2 ?? "", m2, half2);
  if (to <= from && !half2 && to + 720 > from && to + 720 < 1440) to += 720;
  return !(from < to && to <= 1440) ? null : { days: chosen, from: clockOf(from), to: clockOf(Math.min(to, 1439)) };
}

function minuteOf(hour: string, minute = "0", half = ""): number {
  const afternoon = half.toLowerCase().startsWith("p") && Number(hour) < 12;
  const midnight = half.toLowerCase().startsWith("a") && Number(hour) === 12;
  const past = Number(minute) < 60 && Number(hour) <= 24 ? Number(minute) : Number.NaN;
  return (Number(hour) + (afternoon ? 12 : 0) - (midnight ? 12 : 0)) * 60 + past;
}

function daysOf(text: string): string[] | null {
  if (
    new RegExp(`^${wordsOf("every day", "daily", "all week", say("everyDay"), say("notationDaily"))}$`, "i").test(
      text.trim(),
    )
  )
    return days;
  const chosen: number[] = [];
  for (const word of text
    .trim()
    .replace(new RegExp(`\\s*(?:[-–]|\\s${UNTIL()}\\s)\\s*`, "gi"), "-")
    .split(new RegExp(`[\\s,]+(?:${wordsOf("and", "und", "&")}\\s+)?`))) {
    const [first, last] = word.split("-").map(indexOf);
    if (first === undefined || first < 0 || (last !== undefined && last < 0)) return null;
    const length = last === undefined ? 0 : (last - first + 7) % 7;
    for (let place = first; place <= first + length; place++) chosen.push(place % 7);
  }
  return [...new Set(chosen)].sort((a, b) => a - b).map((place) => days[place] ?? "");
}

/** A time of the day: "14:00"; read are "2 pm", "14 Uhr" and "14.30" as well. */
export const time: Notation = {
  write: (value) => (typeof value === "string" ? value.slice(0, 5) : ""),
  read: (text) => {
    if (text.trim() === "") return undefined;
    const found = new RegExp(`^\\s*${TIME}\\s*$`, "i").exec(text);
    const minute = found ? minuteOf(found[1] ?? "", found[2], found[3]) : Number.NaN;
    return minute < 1440 ? clockOf(minute) : text;
  },
};

/** Days of the week alone: "mon tue wed", "Monday to Friday". */
export const weekdays: Notation = {
  write: (value) => ((value as string[] | undefined) ?? []).map((day) => short[days.indexOf(day)] ?? day).join(" "),
  read: (text) => (text.trim() === "" ? [] : (daysOf(text) ?? text)),
  said: (value) => {
    const chosen = (value as string[] | undefined) ?? [];
    return chosen.length > 0 ? dayText(chosen, long, ` ${say("notationUntil")} `) : "";
  },
  example: days.slice(0, 5),
};

const minutes = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** The spans of each day of the week, in minutes of the day. */
export const week = (spans: Span[]): { day: string; open: [number, number][] }[] =>
  days.map((day) => ({
    day,
    open: spans
      .filter((span) => span.days.includes(day))
      .map((span): [number, number] => [minutes(span.from), minutes(span.to)]),
  }));

/** A minute of the day as the clock shows it. */
export const clockOf = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;

/** A day's spans with one stretch added or taken out, in order, what touches joined. */
function stretched(open: [number, number][], from: number, to: number, add: boolean): [number, number][] {
  const apart = open.flatMap(([a, b]): [number, number][] =>
    [[a, Math.min(b, from)] as [number, number], [Math.max(a, to), b] as [number, number]].filter(([x, y]) => x < y),
  );
  const all = [...apart, ...(add ? [[from, to] as [number, number]] : [])].sort((a, b) => a[0] - b[0]);
  const joined: [number, number][] = [];
  for (const [a, b] of all) {
    const last = joined.at(-1);
    if (last && a <= last[1]) last[1] = Math.max(last[1], b);
    else joined.push([a, b]);
  }
  return joined;
}

/** The week with a stretch of one day opened or shut; days with the same spans share them. */
export function painted(spans: Span[], day: string, from: number, to: number, open: boolean): Span[] {
  const byTimes = new Map<string, string[]>();
  for (const each of week(spans)) {
    const times = each.day === day ? stretched(each.open, from, to, open) : stretched(each.open, 0, 0, false);
    for (const [a, b] of times) {
      const key = `${clockOf(a)} ${clockOf(b)}`;
      byTimes.set(key, [...(byTimes.get(key) ?? []), each.day]);
    }
  }
  return [...byTimes]
    .map(([times, those]) => ({ days: those, from: times.split(" ")[0] ?? "", to: times.split(" ")[1] ?? "" }))
    .sort((a, b) => days.indexOf(a.days[0] ?? "") - days.indexOf(b.days[0] ?? "") || a.from.localeCompare(b.from));
}
