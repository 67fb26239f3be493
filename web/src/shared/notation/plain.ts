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

export const yesNo: Notation = {
  write: (value) => (value ? "yes" : "no"),
  read: (text) => text === "yes",
};
export const yesNoChoices = [
  { id: "no", name: say("no") },
  { id: "yes", name: say("yes") },
];
