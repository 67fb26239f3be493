import type { Destination, Line, Setup } from "../api/client";
import type { SampleOrder } from "./sampleOrder";

type Product = Setup["goods"]["products"][number];

/** One of a product, with the first of all its choices; of what the buyer names the amount of, the least. */
export function firstOf(product: Product): Line {
  return {
    product: product.id,
    quantity: product.measure?.least ?? "1",
    options: Object.fromEntries(product.options.map((option) => [option.id, option.choices[0]?.id ?? ""])),
    ...(product.bounds ? { amount: product.bounds.least } : {}),
  };
}

/** A sample order of a person, with nothing but goods and a place chosen. */
export const sampleOf = (
  named: { id: string; name: string },
  lines: Line[],
  to: Destination | null | undefined,
): SampleOrder => ({ ...named, buyer: "person", order: { lines, codes: [], deliveries: {}, ...(to ? { to } : {}) } });
