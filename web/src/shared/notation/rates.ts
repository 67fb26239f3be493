import { say } from "../say";

/** The words of the rate notation, longest first, as files write them. Their place in the catalogue is `notation.…`. */
const WORDS = [
  ["by product", "notationByProduct"],
  ["not offered", "notationNotOffered"],
  ["parcel", "notationParcel"],
  ["items", "notationItems"],
  ["quote", "notationQuote"],
  ["item", "notationItem"],
  ["free", "notationFree"],
  ["from", "notationFrom"],
  ["then", "notationThen"],
  ["else", "notationElse"],
  ["to", "notationTo"],
] as const;

/** How the desk's language writes the notation: its words, and what stands before decimals. */
export interface NotationWords {
  words: readonly (readonly [file: string, desk: string])[];
  decimal: string;
}

/** The notation in the language of the desk; files always have the English one. */
export const deskNotation = (): NotationWords => ({
  words: WORDS.map(([word, phrase]) => [word, say(phrase)] as const),
  decimal: say("notationDecimal"),
});

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

/** A rule of a file as the desk writes it: "to 1 kg 4.90, then +0.80/kg" is "bis 1 kg 4,90, dann +0,80/kg". */
export function toDesk(text: string, { words, decimal }: NotationWords): string {
  const file = new RegExp(`(?<![\\p{L}-])(${words.map(([word]) => escaped(word)).join("|")})(?![\\p{L}-])`, "gu");
  const known = new Map(words);
  return text.replace(file, (word) => known.get(word) ?? word).replace(/(\d)\.(?=\d)/g, `$1${decimal}`);
}

/** What is typed on the desk as files write it. Words and decimal points of files are understood as well. */
export function fromDesk(text: string, { words, decimal }: NotationWords): string {
  // The word of the desk may be that of a file with another meaning, so each is looked up once, whole.
  const known = new Map(words.map(([file, desk]) => [desk.toLowerCase(), file]));
  const desk = [...known.keys()].sort((a, b) => b.length - a.length).map(escaped);
  const pattern = new RegExp(`(?<![\\p{L}-])(${desk.join("|")})(?![\\p{L}-])`, "giu");
  const numbers = decimal === "," ? text.replace(/(\d),(?=\d)/g, "$1.") : text;
  return numbers.replace(pattern, (word) => known.get(word.toLowerCase()) ?? word);
}
