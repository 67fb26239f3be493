import { say } from "../say";
import { dayOf, window } from "./days";
import { blank, FIGURE, FROM, figure, stored, UNTIL, wordsOf } from "./figures";
import type { Notation } from "./notation";

interface Dated {
  price: string;
  window?: { from?: string; to?: string };
}

/** "39.00 from 1 Dec 2026 to 24 Dec 2026" */
export const sale: Notation = {
  write: (value) => {
    const it = value as Dated | undefined;
    if (!it) return "";
    const { from, to } = it.window ?? {};
    return [
      figure(it.price),
      from && `${say("notationSince")} ${dayOf(from)}`,
      to && `${say("notationUntil")} ${dayOf(to)}`,
    ]
      .filter(Boolean)
      .join(" ");
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(`^\\s*(${FIGURE})\\s*(.*)$`).exec(text);
    const days = found?.[2]?.replace(new RegExp(`^${FROM()}\\s+`, "i"), "") ?? "";
    const span = window.read(days) ?? {};
    return found && typeof span === "object" ? { price: stored(found[1] ?? ""), window: span } : text;
  },
  said: (value) => {
    const it = value as Dated | undefined;
    return it ? say("saleSaid", { price: figure(it.price), when: window.said?.(it.window) || say("saleAlways") }) : "";
  },
  fields: {
    columns: [
      { label: say("price") },
      { label: say("notationFirstDay"), kind: "day" },
      { label: say("notationLastDay"), kind: "day" },
    ],
    rows: (value) => {
      const it = value as Dated | undefined;
      return [[it ? figure(it.price) : "", it?.window?.from ?? "", it?.window?.to ?? ""]];
    },
    value: ([row]) =>
      row && {
        price: stored(row[0] ?? ""),
        window: { ...(row[1] ? { from: row[1] } : {}), ...(row[2] ? { to: row[2] } : {}) },
      },
  },
  example: { price: "39.00", window: { from: "2026-12-01", to: "2026-12-24" } },
};

interface Step {
  from: string;
  price?: string;
  percent?: string;
}

const stepOf = (from: string, what: string): Step =>
  what.trim().endsWith("%")
    ? { from: stored(from), percent: stored(what.replace("%", "")) }
    : { from: stored(from), price: stored(what) };
const whatOf = (step: Step): string => (step.price ? figure(step.price) : `${figure(step.percent ?? "")} %`);

/** "10: 7.50; 50: 12 %" */
export const breaks: Notation = {
  write: (value) =>
    ((value as Step[] | undefined) ?? []).map((step) => `${figure(step.from)}: ${whatOf(step)}`).join("; "),
  read: (text) => {
    if (blank(text)) return [];
    const steps = text
      .split(/[;\n]/)
      .filter((part) => !blank(part))
      .map((part) =>
        new RegExp(`^\\s*(?:${FROM()}\\s+)?(${FIGURE})\\s*[:=]\\s*(${FIGURE}\\s*%?)\\s*$`, "i").exec(part),
      );
    return steps.some((step) => !step) ? text : steps.map((step) => stepOf(step?.[1] ?? "", step?.[2] ?? ""));
  },
  said: (value) =>
    ((value as Step[] | undefined) ?? [])
      .map((step) =>
        step.price
          ? say("breakPriceSaid", { from: figure(step.from), price: figure(step.price) })
          : say("breakPercentSaid", { from: figure(step.from), percent: figure(step.percent ?? "") }),
      )
      .join(" "),
  fields: {
    columns: [{ label: say("notationFromQuantity") }, { label: say("notationPriceOrPercent") }],
    many: true,
    rows: (value) => ((value as Step[] | undefined) ?? []).map((step) => [figure(step.from), whatOf(step)]),
    value: (rows) => rows.map(([from = "", what = ""]) => stepOf(from, what)),
  },
  example: [
    { from: "10", price: "7.50" },
    { from: "50", percent: "12" },
  ],
};

interface Measured {
  unit: string;
  step: string;
  least: string;
  most: string;
}

/** "m by 0.05 from 0.5 to 50" */
export const measure: Notation = {
  write: (value) => {
    const it = value as Measured | undefined;
    if (!it) return "";
    return `${it.unit} ${say("notationBy")} ${figure(it.step)} ${say("notationSince")} ${figure(it.least)} ${say("notationUntil")} ${figure(it.most)}`;
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(
      `^\\s*(\\S+)\\s+${wordsOf("by", say("notationBy"))}\\s+(${FIGURE})\\s+${FROM()}\\s+(${FIGURE})\\s+${UNTIL()}\\s+(${FIGURE})\\s*$`,
      "i",
    ).exec(text);
    const [, unit, ...numbers] = found ?? [];
    const [step, least, most] = numbers.map(stored);
    return found ? { unit, step, least, most } : text;
  },
  said: (value) => {
    const it = value as Measured | undefined;
    return it
      ? say("measureSaid", { unit: it.unit, step: figure(it.step), least: figure(it.least), most: figure(it.most) })
      : "";
  },
  fields: {
    columns: [
      { label: say("notationUnit") },
      { label: say("notationStep") },
      { label: say("notationLeast") },
      { label: say("notationMost") },
    ],
    rows: (value) => {
      const it = value as Measured | undefined;
      return [it ? [it.unit, figure(it.step), figure(it.least), figure(it.most)] : ["", "", "", ""]];
    },
    value: ([row = []]) => {
      const [unit = "", step = "", least = "", most = ""] = row;
      return { unit: unit.trim(), step: stored(step), least: stored(least), most: stored(most) };
    },
  },
  example: { unit: "m", step: "0.05", least: "0.5", most: "50" },
};

interface Bounds {
  least: string;
  most: string;
}

/** "5.00 to 500.00" */
export const bounds: Notation = {
  write: (value) => {
    const it = value as Bounds | undefined;
    return it ? `${figure(it.least)} ${say("notationUntil")} ${figure(it.most)}` : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(`^\\s*(?:${FROM()}\\s+)?(${FIGURE})\\s*${UNTIL()}\\s*(${FIGURE})\\s*$`, "i").exec(text);
    return found ? { least: stored(found[1] ?? ""), most: stored(found[2] ?? "") } : text;
  },
  said: (value) => {
    const it = value as Bounds | undefined;
    return it ? say("boundsSaid", { least: figure(it.least), most: figure(it.most) }) : "";
  },
  fields: {
    columns: [{ label: say("notationLeast") }, { label: say("notationMost") }],
    rows: (value) => {
      const it = value as Bounds | undefined;
      return [it ? [figure(it.least), figure(it.most)] : ["", ""]];
    },
    value: ([row = []]) => ({ least: stored(row[0] ?? ""), most: stored(row[1] ?? "") }),
  },
  example: { least: "5.00", most: "500.00" },
};

interface Own {
  alone: string;
  withOthers: string;
}

/** "7.00 alone, 1.50 with others" */
export const own: Notation = {
  write: (value) => {
    const it = value as Own | undefined;
    return it
      ? `${figure(it.alone)} ${say("notationAlone")}, ${figure(it.withOthers)} ${say("notationWithOthers")}`
      : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(
      `^\\s*(${FIGURE})\\s+${wordsOf("alone", say("notationAlone"))}\\s*[,;]\\s*(${FIGURE})\\s+${wordsOf("with others", say("notationWithOthers"))}\\s*$`,
      "i",
    ).exec(text);
    return found ? { alone: stored(found[1] ?? ""), withOthers: stored(found[2] ?? "") } : text;
  },
  said: (value) => {
    const it = value as Own | undefined;
    return it ? say("ownDeliverySaid", { alone: figure(it.alone), withOthers: figure(it.withOthers) }) : "";
  },
  fields: {
    columns: [{ label: say("notationAlone") }, { label: say("notationWithOthers") }],
    rows: (value) => {
      const it = value as Own | undefined;
      return [it ? [figure(it.alone), figure(it.withOthers)] : ["", ""]];
    },
    value: ([row = []]) => ({ alone: stored(row[0] ?? ""), withOthers: stored(row[1] ?? "") }),
  },
  example: { alone: "7.00", withOthers: "1.50" },
};

interface Renewal {
  every: number;
  unit: Unit;
  on?: number;
  away?: number;
  charges?: number;
}

const units = ["days", "weeks", "months", "years"] as const;
type Unit = (typeof units)[number];
/** What a unit is called, one and several, in English and the desk's language. */
const called: Record<Unit, () => string> = {
  days: () => wordsOf("days", "day", say("unitDays", { count: 1 }), say("unitDays", { count: 2 })),
  weeks: () => wordsOf("weeks", "week", say("unitWeeks", { count: 1 }), say("unitWeeks", { count: 2 })),
  months: () => wordsOf("months", "month", say("unitMonths", { count: 1 }), say("unitMonths", { count: 2 })),
  years: () => wordsOf("years", "year", say("unitYears", { count: 1 }), say("unitYears", { count: 2 })),
};
const unitOf = (unit: Unit, count: number): string =>
  ({
    days: () => say("unitDays", { count }),
    weeks: () => say("unitWeeks", { count }),
    months: () => say("unitMonths", { count }),
    years: () => say("unitYears", { count }),
  })[unit]();

/** What follows the span: days to the first fixed day, and after how many charges it ends. */
const moreOf = ({ away, charges }: Renewal): string =>
  [...(away ? [`${away} ${say("notationDaysAway")}`] : []), ...(charges ? [`${charges} ${say("notationTimes")}`] : [])]
    .map((part) => `, ${part}`)
    .join("");

/** What stands after commas behind the span; nothing where that cannot be read. */
function moreIn(parts: string[]): Partial<Renewal> | undefined {
  const found: Partial<Renewal> = {};
  for (const part of parts) {
    const away = new RegExp(`^\\s*(\\d+)\\s*${wordsOf("days away", say("notationDaysAway"))}\\s*$`, "i").exec(part);
    const times = new RegExp(`^\\s*(\\d+)\\s*${wordsOf("times", say("notationTimes"))}\\s*$`, "i").exec(part);
    if (away) found.away = Number(away[1]);
    else if (times) found.charges = Number(times[1]);
    else return undefined;
  }
  return found;
}

/** "1 month", "2 weeks", "1 month on 15, 5 days away, 12 times"; "every month" and "monthly" are read as well. */
export const renewal: Notation = {
  write: (value) => {
    const it = value as Renewal | undefined;
    return it
      ? `${it.every} ${unitOf(it.unit, it.every)}${it.on ? ` ${say("notationOn")} ${it.on}` : ""}${moreOf(it)}`
      : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const [span = "", ...behind] = text.split(",");
    const more = moreIn(behind);
    if (!more) return text;
    const adverb = units[["daily", "weekly", "monthly", "yearly"].indexOf(span.trim().toLowerCase())];
    if (adverb) return { every: 1, unit: adverb, ...more };
    for (const unit of units) {
      const found = new RegExp(
        `^\\s*(?:${wordsOf("every", say("notationEvery"))}\\s*)?(\\d*)\\s*${called[unit]()}(?:\\s+${wordsOf("on the", "on", say("notationOn"))}\\s+(\\d+)\\.?)?\\s*$`,
        "i",
      ).exec(span);
      if (found)
        return { every: Number(found[1] || "1"), unit, ...(found[2] ? { on: Number(found[2]) } : {}), ...more };
    }
    return text;
  },
  said: (value) => {
    const it = value as Renewal | undefined;
    if (!it) return "";
    const span = `${it.every} ${unitOf(it.unit, it.every)}`;
    return [
      it.on ? say("renewalOnSaid", { span, on: it.on }) : say("renewalSaid", { span }),
      ...(it.away ? [say("renewalAwaySaid", { days: it.away })] : []),
      ...(it.charges ? [say("renewalEndsSaid", { count: it.charges })] : []),
    ].join(" ");
  },
  fields: {
    columns: [
      { label: say("notationEvery") },
      { label: say("notationUnit"), kind: "choice", choices: units.map((id) => ({ id, name: unitOf(id, 2) })) },
      { label: say("notationOnDay") },
      { label: say("notationFirstDayAway") },
      { label: say("notationEndsAfter") },
    ],
    rows: (value) => {
      const it = value as Renewal | undefined;
      const number = (of?: number) => (of ? String(of) : "");
      return [
        it
          ? [String(it.every), it.unit, number(it.on), number(it.away), number(it.charges)]
          : ["", "months", "", "", ""],
      ];
    },
    value: ([row = []]) =>
      row[0] && {
        every: Number(row[0]),
        unit: row[1] || "months",
        ...(row[2] ? { on: Number(row[2]) } : {}),
        ...(row[3] ? { away: Number(row[3]) } : {}),
        ...(row[4] ? { charges: Number(row[4]) } : {}),
      },
  },
  example: { every: 1, unit: "months" },
};
