import { say } from "../say";
import type { Notation } from "./notation";

/** A list of lines as one, with commas between them. */
export const lines: Notation = {
  write: (value) => ((value as string[] | undefined) ?? []).join(", "),
  read: (text) => text.split(/,\s*/).filter(Boolean),
};

export const whole: Notation = {
  write: (value) => (value === undefined || value === null ? "" : String(value)),
  read: (text) => (text.trim() === "" ? undefined : /^\s*\d+\s*$/.test(text) ? Number(text) : text),
};

/** Minutes as they are promised: "30 to 45" as "30–45", or the latest alone. */
export const minutes: Notation = {
  write: (value) => {
    const span = value as { from?: number | null; to: number } | null | undefined;
    return span ? [span.from, span.to].filter((each) => each != null).join("–") : "";
  },
  read: (text) => {
    const [, first, last] = text.trim().match(/^(\d{1,5})(?:\s*[-–]\s*(\d{1,5}))?$/) ?? [];
    if (!first) return text.trim() === "" ? undefined : text;
    return last ? { from: Number(first), to: Number(last) } : { to: Number(first) };
  },
  example: { from: 30, to: 45 },
};

export const yesNo: Notation = {
  write: (value) => (value ? "yes" : "no"),
  read: (text) => text === "yes",
};
export const yesNoChoices = [
  { id: "no", name: say("no") },
  { id: "yes", name: say("yes") },
];
