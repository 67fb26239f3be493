import type { Destination } from "../api/client";

const names = new Map<string, Intl.DisplayNames>();

/** A country's name in a language: the page's unless one is asked for. */
export function countryName(code: string, language = document.documentElement.lang || "en"): string {
  const known = names.get(language) ?? new Intl.DisplayNames([language, "en"], { type: "region" });
  names.set(language, known);
  return /^[A-Z]{2}$/.test(code) ? (known.of(code) ?? code) : code;
}

/** A destination in words: "H91 X2A0, Ireland". @param nameOf a region's name */
export function inWords(to: Destination, nameOf: (region: string) => string): string {
  return [to.postcode, to.region && nameOf(to.region), countryName(to.country)].filter(Boolean).join(", ");
}

/** Who and where, in one line. @param language of the country's name; the page's unless one is given */
export const addressLine = (
  to: { name: string; lines: string[]; postcode: string; city: string; country: string },
  language?: string,
): string =>
  [to.name, ...to.lines, `${to.postcode} ${to.city}`.trim(), countryName(to.country, language)]
    .filter(Boolean)
    .join(", ");

/** A language's name, in the language of the page. */
export const languageName = (tag: string): string =>
  new Intl.DisplayNames([document.documentElement.lang || "en", "en"], {
    type: "language",
    languageDisplay: "standard",
  }).of(tag) ?? tag;
