import { say } from "../say";

/** What stands before decimals on the desk. */
const decimal = (): string => say("notationDecimal");

/** A number of a setup as the desk's language writes it. */
export const figure = (stored: string): string => stored.replace(".", decimal());

/** 1,200 is twelve hundred to one and a little more than one to another, unless the comma is the desk's decimal sign. */
const TWO_READINGS = `[1-9]\\d{0,2}${decimal() === "," ? "\\." : ","}\\d{3}(?!\\d)`;

/** A typed number, with a point or a comma before its decimals, in a pattern; one with two readings is none. */
export const FIGURE = `-?(?!${TWO_READINGS})\\d+(?:[.,]\\d+)?`;

/** A typed number as a setup has it. */
export const stored = (typed: string): string => typed.trim().replace(",", ".");

/** Words of a notation, in the desk's language or English, in a pattern; the longest first, so that none hides another. */
export const wordsOf = (...spoken: string[]): string =>
  `(?:${spoken
    .flatMap((word) => word.split("|"))
    .sort((a, b) => b.length - a.length)
    .map((word) => word.replace(/[.*+?^${}()[\]\\]/g, "\\$&"))
    .join("|")})`;

export const FROM = (): string => wordsOf("from", say("notationSince"));
export const UNTIL = (): string => wordsOf("to", "until", "till", "–", "-", say("notationUntil"));

export const blank = (text: string): boolean => text.trim() === "";
