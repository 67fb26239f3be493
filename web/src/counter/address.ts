import { formatAddress } from "localized-address-format";

/** A part of an address that a buyer types in a field of its own. */
export type Part = "street" | "postcode" | "city" | "region";

// Marks no country writes into its addresses, as Switzerland writes CH before the postcode.
const marks: Record<string, Part> = { "①": "street", "②": "postcode", "③": "city", "④": "region" };
const usual: Part[][] = [["street"], ["postcode", "city"]];

/**
 * The parts of a country's address as they stand on an envelope there, a row each line. From the address data the library ships;
 * a region only where the shop asks for one.
 */
export function rowsOf(country: string, withRegion: boolean): Part[][] {
  const lines = formatAddress({
    postalCountry: country,
    addressLines: ["①"],
    locality: "③",
    postalCode: "②",
    administrativeArea: "④",
  });
  const rows = lines
    .map((line) =>
      [...line]
        .map((mark) => marks[mark])
        .filter((part): part is Part => part !== undefined && (part !== "region" || withRegion)),
    )
    .filter((row) => row.length > 0);
  const parts = rows.flat();
  const whole = parts.includes("street") && parts.includes("city") ? rows : usual;
  return withRegion && !whole.flat().includes("region") ? [...whole, ["region"]] : whole;
}

/** Whether addresses of a country have a postcode. */
export const hasPostcode = (country: string): boolean => rowsOf(country, false).flat().includes("postcode");

const postcodes: Record<string, string> = { IE: "Eircode", US: "ZIP code", IN: "PIN code" };

/** What a postcode is called there, where it has a name of its own. */
export const postcodeName = (country: string): string | undefined => postcodes[country];
