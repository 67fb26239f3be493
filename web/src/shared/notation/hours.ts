const days = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

export interface Span {
  days: string[];
  from: string;
  to: string;
}

const short = (day: string): string => day.slice(0, 3);
const indexOf = (text: string): number =>
  days.findIndex((day) => text.length >= 2 && day.startsWith(text.toLowerCase()));

function dayText(span: Span): string {
  const places = span.days.map((day) => days.indexOf(day)).sort((a, b) => a - b);
  const [first = 0] = places;
  const last = places.at(-1) ?? 0;
  if (places.length === 7) return "every day";
  if (places.length > 2 && last - first === places.length - 1)
    return `${short(days[first] ?? "")}-${short(days[last] ?? "")}`;
  return places.map((place) => short(days[place] ?? "")).join(" ");
}

/** "mon-fri 10:00-17:00; sat 10:00-13:00" */
export const hours = {
  write: (value: unknown) =>
    ((value as Span[] | undefined) ?? [])
      .map((span) => `${dayText(span)} ${span.from.slice(0, 5)}-${span.to.slice(0, 5)}`)
      .join("; "),
  /** A text that cannot be read is handed on, and the server says so. */
  read: (text: string): unknown => {
    if (text.trim() === "") return [];
    const spans: Span[] = [];
    for (const part of text.split(";")) {
      const found = /^\s*(.+?)\s+(\d{1,2}:\d{2})\s*[-–]\s*(\d{1,2}:\d{2})\s*$/.exec(part);
      const chosen = found?.[1] ? daysOf(found[1]) : null;
      if (!found || !chosen) return text;
      spans.push({ days: chosen, from: clock(found[2] ?? ""), to: clock(found[3] ?? "") });
    }
    return spans;
  },
};

const clock = (time: string): string => time.padStart(5, "0");

function daysOf(text: string): string[] | null {
  if (/^(every day|daily)$/i.test(text)) return days;
  const chosen: number[] = [];
  for (const word of text.split(/[\s,]+/)) {
    const [first, last] = word.split(/[-–]/).map(indexOf);
    if (first === undefined || first < 0 || (last !== undefined && last < first)) return null;
    for (let place = first; place <= (last ?? first); place++) chosen.push(place);
  }
  return chosen.map((place) => days[place] ?? "");
}

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
