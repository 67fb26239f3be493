import { say } from "../say";

/** What stands before decimals on the desk. */
const decimal = (): string => say("notationDecimal");

/** A number of a setup as the desk's language writes it. */
export const figure = (stored: string): string => stored.replace(".", decimal());

/** A typed number, with a point or a comma before its decimals, in a pattern. */
export const FIGURE = /-?\d+(?:[.,]\d+)?/.source;

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
