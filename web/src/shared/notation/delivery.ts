import { say } from "../say";
import { blank, FIGURE, figure, stored, UNTIL, wordsOf } from "./figures";
import type { Notation } from "./notation";

interface Days {
  from: number;
  to: number;
}

/** "2-4" working days. */
export const dayText: Notation = {
  write: (value) => {
    const days = value as Days | undefined;
    return days ? (days.from === days.to ? `${days.from}` : `${days.from}-${days.to}`) : "";
  },
  read: (text) => {
    const days = new RegExp(`^\\s*(\\d{1,3})\\s*(?:${UNTIL()}\\s*(\\d{1,3}))?\\s*$`, "i").exec(text);
    return days ? { from: Number(days[1]), to: Number(days[2] ?? days[1]) } : blank(text) ? undefined : text;
  },
  said: (value) => {
    const days = value as Days | undefined;
    return days ? say("workingDaysSaid", { from: days.from, to: days.to }) : "";
  },
  fields: {
    columns: [{ label: say("notationLeast") }, { label: say("notationMost") }],
    rows: (value) => {
      const days = value as Days | undefined;
      return [days ? [String(days.from), String(days.to)] : ["", ""]];
    },
    value: ([row = []]) => ({ from: Number(row[0] || row[1]), to: Number(row[1] || row[0]) }),
  },
  example: { from: 2, to: 4 },
};

interface Point {
  latitude: string;
  longitude: string;
}

/** "53.2707, -9.0568", in degrees as maps write them. */
export const point: Notation = {
  write: (value) => {
    const at = value as Point | undefined;
    return at ? `${at.latitude}, ${at.longitude}` : "";
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = /^\s*(-?\d+(?:\.\d+)?)\s*[,;\s]\s*(-?\d+(?:\.\d+)?)\s*$/.exec(text);
    return found ? { latitude: found[1], longitude: found[2] } : text;
  },
  fields: {
    columns: [{ label: say("notationLatitude") }, { label: say("notationLongitude") }],
    rows: (value) => {
      const at = value as Point | undefined;
      return [at ? [at.latitude, at.longitude] : ["", ""]];
    },
    value: ([row = []]) => ({ latitude: stored(row[0] ?? ""), longitude: stored(row[1] ?? "") }),
  },
  example: { latitude: "53.2707", longitude: "-9.0568" },
};

interface Volume {
  divisor: string;
  unit: string;
  step?: string;
}

/** "5000 cm3/kg by 0.5 kg" */
export const volume: Notation = {
  write: (value) => {
    const it = value as Volume | undefined;
    if (!it) return "";
    const unit = it.unit === "in3-per-lb" ? "in3/lb" : "cm3/kg";
    return `${figure(it.divisor)} ${unit}${it.step ? ` ${say("notationBy")} ${figure(it.step)}` : ""}`;
  },
  read: (text) => {
    if (blank(text)) return undefined;
    const found = new RegExp(
      `^\\s*(${FIGURE})\\s*(cm3/kg|in3/lb)(?:\\s+${wordsOf("by", say("notationBy"))}\\s+(.+?))?\\s*$`,
      "i",
    ).exec(text.replace(/³/g, "3"));
    if (!found) return text;
    const unit = found[2] === "in3/lb" ? "in3-per-lb" : "cm3-per-kg";
    return { divisor: stored(found[1] ?? ""), unit, ...(found[3] ? { step: stored(found[3]) } : {}) };
  },
  said: (value) => {
    const it = value as Volume | undefined;
    if (!it) return "";
    const unit = it.unit === "in3-per-lb" ? "in³/lb" : "cm³/kg";
    return it.step
      ? say("volumeStepSaid", { divisor: figure(it.divisor), unit, step: figure(it.step) })
      : say("volumeSaid", { divisor: figure(it.divisor), unit });
  },
  fields: {
    columns: [
      { label: say("notationDivisor") },
      {
        label: say("notationUnit"),
        kind: "choice",
        choices: [
          { id: "cm3-per-kg", name: "cm³/kg" },
          { id: "in3-per-lb", name: "in³/lb" },
        ],
      },
      { label: say("notationStep") },
    ],
    rows: (value) => {
      const it = value as Volume | undefined;
      return [it ? [figure(it.divisor), it.unit, it.step ? figure(it.step) : ""] : ["", "cm3-per-kg", ""]];
    },
    value: ([row = []]) =>
      row[0] && { divisor: stored(row[0]), unit: row[1] || "cm3-per-kg", ...(row[2] ? { step: stored(row[2]) } : {}) },
  },
  example: { divisor: "5000", unit: "cm3-per-kg", step: "0.5 kg" },
};
