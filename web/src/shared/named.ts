import { iso31661, iso31661Alpha2ToAlpha3 } from "iso-3166";
import { cityOf, timeZoneName } from "./timeZones";

/** Something a seller calls by its name, and the program by its code. */
export interface Named {
  id: string;
  /** In the desk's language. */
  name: string;
  /** What else people call it. */
  also: readonly string[];
}

/** Short names in common use. Common practice, no source. */
const SHORT: Readonly<Record<string, readonly string[]>> = {
  GB: ["uk", "great britain", "britain", "england", "scotland", "wales", "großbritannien"],
  US: ["usa", "america", "the states", "amerika"],
  NL: ["holland", "the netherlands"],
  IE: ["eire", "republic of ireland"],
  KR: ["korea", "south korea", "südkorea"],
  CZ: ["czech republic", "tschechische republik"],
  AE: ["uae", "emirates"],
  EUR: ["euros"],
  USD: ["dollar", "dollars"],
  GBP: ["pound", "pounds", "sterling"],
  CHF: ["franc", "francs", "franken"],
  KRW: ["won"],
  JPY: ["yen"],
  PLN: ["zloty"],
  CNY: ["yuan"],
  HUF: ["forint"],
};

/** Languages a shop is likely to be written in: those CLDR covers fully, without regional forms. From memory. */
const LANGUAGES =
  "af am ar az be bg bn bs ca cs cy da de el en es et eu fa fi fil fr ga gl gu he hi hr hu hy id is it ja ka kk km kn ko ky lo lt lv mk ml mn mr ms my nb ne nl nn pa pl ps pt ro ru si sk sl so sq sr sv sw ta te th tr uk ur uz vi zh zu".split(
    " ",
  );

/** As names are compared: small letters without marks, single spaces. */
export const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll("ß", "ss")
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .replaceAll("&", "and")
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

const display = (languages: string[], type: "region" | "currency" | "language") =>
  languages.map((language) => new Intl.DisplayNames([language], { type, languageDisplay: "standard" }));

/** The languages names are understood in, besides the desk's own: those the server knows them in. */
const UNDERSTOOD = ["en", "de", "fr", "nl", "es", "it", "pt", "pl"];

/** Things by name in one language, found by their names in the others too. */
function listed(ids: readonly string[], type: "region" | "currency" | "language", language: string): Named[] {
  const [own] = display([language], type);
  const others = display(UNDERSTOOD, type);
  return ids
    .map((id) => ({
      id,
      name: own?.of(id) ?? id,
      also: [...others.map((other) => other.of(id) ?? id), ...(SHORT[id] ?? [])],
    }))
    .sort((a, b) => a.name.localeCompare(b.name, language));
}

export const countriesIn = (language: string): Named[] =>
  listed(
    iso31661.filter((each) => each.state === "assigned").map((each) => each.alpha2),
    "region",
    language,
  ).map((each) => ({ ...each, also: [...each.also, iso31661Alpha2ToAlpha3[each.id] ?? each.id] }));

export const currenciesIn = (language: string): Named[] =>
  listed(Intl.supportedValuesOf("currency"), "currency", language);

/** @param kept tags of the setup that have a region, such as en-IE */
export const languagesIn = (language: string, kept: readonly string[] = []): Named[] =>
  listed([...new Set([...LANGUAGES, ...kept])], "language", language);

export const timeZonesIn = (language: string): Named[] =>
  Intl.supportedValuesOf("timeZone").map((id) => ({
    id,
    name: timeZoneName(id, language),
    also: [cityOf(id), `${cityOf(id)} time`, `${cityOf(id)} zeit`],
  }));

/** The one of a name or a code, or nothing. */
export function named(list: readonly Named[], typed: string): Named | undefined {
  const wanted = plain(typed);
  if (wanted === "") return undefined;
  const matches = (each: Named) => [each.id, each.name, ...each.also].some((name) => plain(name) === wanted);
  return list.find((each) => plain(each.id) === wanted) ?? list.find(matches);
}

/** So few letters begin too many names. */
const BEGINNING = 3;

/**
 * The one called so, or else the only one whose name begins so: ISO 3166-2 writes "Seoul-teukbyeolsi", people "Seoul".
 * Nothing where several do.
 */
export function begun(list: readonly Named[], typed: string): Named | undefined {
  const exact = named(list, typed);
  const wanted = plain(typed);
  if (exact || wanted.length < BEGINNING) return exact;
  const beginning = list.filter((each) => [each.name, ...each.also].some((name) => plain(name).startsWith(wanted)));
  return beginning.length === 1 ? beginning[0] : undefined;
}

/** Those that begin with what is typed, then those that hold it. */
export function near(list: readonly Named[], typed: string, most: number): Named[] {
  const wanted = plain(typed);
  if (wanted === "") return [];
  const rank = (each: Named) => {
    const names = [each.name, ...each.also].map(plain);
    if (names.some((name) => name.startsWith(wanted))) return 0;
    return names.some((name) => name.includes(` ${wanted}`)) ? 1 : 2;
  };
  return list
    .map((each) => ({ each, rank: rank(each) }))
    .filter(({ rank }) => rank < 2)
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ each }) => each);
}
