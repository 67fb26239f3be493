import type { Destination } from "../api/client";

const names = new Map<string, Intl.DisplayNames>();

/** A country's name in a language: the page's unless one is asked for. */
export function countryName(code: string, language = document.documentElement.lang || "en"): string {
  const known = names.get(language) ?? new Intl.DisplayNames([language, "en"], { type: "region" });
  names.set(language, known);
  return /^[A-Z]{2}$/.test(code) ? (known.of(code) ?? code) : code;
}

/** A destination in words: "H91 X2A0, Ireland". */
export function inWords(to: Destination): string {
  return [to.postcode, to.region?.slice(3), countryName(to.country)].filter(Boolean).join(", ");
}
