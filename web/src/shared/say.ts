import english from "../../../catalogue/en/desk.json";
import { type Catalogue, Phrases, subtag } from "./phrases";

type Code = keyof typeof english;
/** What the desk can say, as its catalogue names it. */
export type Phrase = Code extends `desk.${infer Name}` ? Name : never;

/** The languages the desk is written in. */
export const deskLanguages = ["en", "de"] as const;
export type DeskLanguage = (typeof deskLanguages)[number];

const KEPT = "desk-language";
const catalogues = import.meta.glob<Catalogue>("../../../catalogue/de/desk.json", { import: "default" });

let phrases = new Phrases("en", [english]);

/** The language the desk is shown in. */
export const deskLanguage = (): string => phrases.locale;

/** How dates and numbers are written on the desk. Months are named, so that no day is taken for one. */
export const deskLocale = (): string => (phrases.locale === "en" ? "en-GB" : phrases.locale);

/** How the desk writes what belongs to a shop: as the shop's language does, if it is the desk's as well. */
export const readIn = (shop: string): string => (subtag(shop) === subtag(phrases.locale) ? shop : deskLocale());

/** The one chosen before; else the one the browser prefers, if the desk has it. */
export function preferredLanguage(): string {
  const kept = localStorage.getItem(KEPT);
  const wanted = kept ?? navigator.languages.find((tag) => deskLanguages.some((known) => known === subtag(tag)));
  return wanted ?? "en";
}

/** Chooses a language and shows the page in it. */
export function chooseLanguage(language: DeskLanguage) {
  localStorage.setItem(KEPT, language);
  window.location.reload();
}

/** Before anything of the desk is loaded: its phrases are read once, names at the top of files included. */
export async function speak(tag: string): Promise<void> {
  const language = subtag(tag);
  const load = catalogues[`../../../catalogue/${language}/desk.json`];
  phrases = new Phrases(language, load ? [await load(), english] : [english]);
  document.documentElement.lang = phrases.locale;
}

/** What stands in a phrase; what is not there leaves its place empty. */
type Values = Record<string, string | number | null | undefined | false>;

/** A phrase of the desk, in its language. */
export const say = (phrase: Phrase, values: Values = {}): string =>
  phrases.say(
    `desk.${phrase}`,
    Object.fromEntries(Object.entries(values).map(([name, value]) => [name, value || value === 0 ? value : ""])),
  );

/** A phrase of a family, by a code from outside; the code itself where the family has none. */
export const sayCode = (family: string, code: string): string => {
  const key = `desk.${family}.${code.replaceAll(" ", "-")}`;
  return phrases.has(key) ? phrases.say(key) : code;
};
