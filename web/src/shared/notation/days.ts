import { deskLocale, say } from "../say";
import { blank, FROM, UNTIL } from "./figures";
import type { Notation } from "./notation";

interface Span {
  from?: string;
  to?: string;
}

const written = new Intl.DateTimeFormat(deskLocale(), {
  day: "numeric",
  month: "short",
  year: "numeric",
  timeZone: "UTC",
});

/** A day of the calendar as the desk writes it, with its month by name. */
export const dayOf = (day: string): string => {
  const instant = Date.parse(`${day}T00:00:00Z`);
  return Number.isNaN(instant) ? day : written.format(instant);
};

/** The months' names, long and short, of English and the desk's language, in small letters without dots. */
const months = new Map(
  ["en", deskLocale()].flatMap((locale) =>
    (["long", "short"] as const).flatMap((month) => {
      const format = new Intl.DateTimeFormat(locale, { day: "numeric", month, timeZone: "UTC" });
      return Array.from({ length: 12 }, (_, index): [string, number] => {
        const name = format.formatToParts(Date.UTC(2026, index, 1)).find((part) => part.type === "month");
        return [plainName(name?.value ?? ""), index + 1];
      });
    }),
  ),
);

function plainName(name: string): string {
  return name.toLowerCase().replace(/\.$/, "");
}

/**
 * A day as people write it, as ISO 8601 has it: 2026-12-24, 24.12.2026, 24 Dec 2026, December 24, 2026. With slashes
 * only where no other reading is possible; nothing where it cannot be read.
 */
export function readDay(text: string): string | undefined {
  const typed = text.trim();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  if (iso) return dated(iso[1], iso[2], iso[3]);
  const dots = /^(\d{1,2})\.\s*(\d{1,2})\.\s*(\d{4})$/.exec(typed);
  if (dots) return dated(dots[3], dots[2], dots[1]);
  const slashes = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/.exec(typed);
  if (slashes) {
    const [, a, b, year] = slashes;
    if (Number(a) > 12 || a === b) return dated(year, b, a);
    return Number(b) > 12 ? dated(year, a, b) : undefined;
  }
  const named = /^(\d{1,2})(?:\.|st|nd|rd|th)?\s+(\p{L}+)\.?,?\s+(\d{4})$/u.exec(typed);
  if (named) return dated(named[3], String(months.get(plainName(named[2] ?? ""))), named[1]);
  const first = /^(\p{L}+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{4})$/u.exec(typed);
  return first ? dated(first[3], String(months.get(plainName(first[1] ?? ""))), first[2]) : undefined;
}

/** A day that the calendar has. */
function dated(year = "", month = "", day = ""): string | undefined {
  const text = `${year}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`;
  const instant = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(instant) && new Date(instant).toISOString().startsWith(text) ? text : undefined;
}

/** Two days with a word between them; either may be left out. Nothing where they cannot be read. */
export function readSpan(text: string): Span | undefined {
  const typed = text.trim().replace(new RegExp(`^${FROM()}\\s+`, "i"), "");
  const between = new RegExp(`^(.*?)(?:^|\\s+)${UNTIL()}\\s+(.+)$`, "i").exec(typed);
  if (!between) {
    const from = readDay(typed.replace(new RegExp(`\\s+${UNTIL()}$`, "i"), ""));
    return from ? { from } : undefined;
  }
  const [, first = "", last = ""] = between;
  const to = readDay(last);
  const from = blank(first) ? undefined : readDay(first);
  return to && (from || blank(first)) ? { ...(from ? { from } : {}), to } : undefined;
}

/** How a span of days is written: "24 Dec 2026 to 2 Jan 2027", "from 24 Dec 2026". */
export const spanOf = ({ from, to }: Span): string =>
  [!to && from && say("notationSince"), from && dayOf(from), to && say("notationUntil"), to && dayOf(to)]
    .filter(Boolean)
    .join(" ");

const both = [
  { label: say("notationFirstDay"), kind: "day" as const },
  { label: say("notationLastDay"), kind: "day" as const },
];
const spanOfRow = ([from, to]: string[]): Span => ({ ...(from ? { from } : {}), ...(to ? { to } : {}) });

/** From a day to a day; either may be open. */
export const window: Notation = {
  write: (value) => (value ? spanOf(value as Span) : ""),
  read: (text) => (blank(text) ? undefined : (readSpan(text) ?? text)),
  said: (value) => {
    const { from, to } = (value as Span | undefined) ?? {};
    if (from && to) return say("windowSaid", { from: dayOf(from), to: dayOf(to) });
    return from ? say("windowSince", { from: dayOf(from) }) : to ? say("windowUntil", { to: dayOf(to) }) : "";
  },
  fields: {
    columns: both,
    rows: (value) => [[(value as Span | undefined)?.from ?? "", (value as Span | undefined)?.to ?? ""]],
    value: ([row]) => row && spanOfRow(row),
  },
  example: { from: "2026-12-01", to: "2026-12-24" },
};

/** Days and spans of days, with semicolons or commas between them. */
export const days: Notation = {
  write: (value) =>
    ((value as Span[] | undefined) ?? [])
      .map((span) => (span.from && span.from === span.to ? dayOf(span.from) : spanOf(span)))
      .join("; "),
  read: (text) => {
    if (blank(text)) return [];
    const spans = text
      .split(text.includes(";") ? ";" : /,(?!\s*\d{4}(?![-\d]))/)
      .filter((part) => !blank(part))
      .map(readSpan);
    return spans.some((span) => !span) ? text : spans.map((span) => ({ from: span?.from, to: span?.to ?? span?.from }));
  },
  fields: {
    columns: both,
    many: true,
    rows: (value) => ((value as Span[] | undefined) ?? []).map(({ from, to }) => [from ?? "", to ?? ""]),
    value: (rows) => rows.map(([from, to]) => ({ from: from || to, to: to || from })),
  },
  example: [
    { from: "2026-12-24", to: "2026-12-24" },
    { from: "2026-12-27", to: "2027-01-02" },
  ],
};
