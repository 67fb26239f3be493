import type { BuyerQuote } from "../api/client";
import type { Phrase } from "./phrases";

const cents = (amount: string): number => Math.round(Number(amount) * 1000);

const delivery = (quote: BuyerQuote): number =>
  [...quote.delivery, ...quote.apart.flatMap((sent) => sent.delivery)]
    .filter((option) => option.chosen)
    .reduce((sum, option) => sum + cents(option.price), 0);

/**
 * What codes change in all where they change what delivery costs, too: free delivery lost, for one. Nothing where
 * delivery costs the same, since the basket says what was taken off.
 */
export function codesEffect(
  quote: BuyerQuote | undefined,
  without: BuyerQuote | undefined,
): { phrase: Phrase; by: string } | undefined {
  if (!quote || !without || quote.currency !== without.currency || delivery(quote) === delivery(without)) {
    return undefined;
  }
  const by = cents(quote.payable) - cents(without.payable);
  return {
    phrase: by < 0 ? "codesLess" : by > 0 ? "codesMore" : "codesSame",
    by: (Math.abs(by) / 1000).toFixed(quote.payable.split(".")[1]?.length ?? 0),
  };
}
