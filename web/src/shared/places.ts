import type { Destination } from "../api/client";

const names = new Intl.DisplayNames(["en"], { type: "region" });

export const countryName = (code: string): string => names.of(code) ?? code;

/** A destination in words: "H91 X2A0, Ireland". */
export function inWords(to: Destination): string {
  return [to.postcode, to.region?.slice(3), countryName(to.country)].filter(Boolean).join(", ");
}
