import { useEffect, useState } from "react";
import type { Counter, CounterProduct, Destination, Line } from "../api/client";
import { forBuyer } from "./forBuyer";
import { lasting } from "./storage";

/** What a buyer has put together; it survives closing the browser. */
export interface Kept {
  /** Made once a basket, so that sending the order twice places it once. */
  key: string;
  /** Names what this browser has put together, until it is ordered. */
  visit: string;
  lines: Line[];
  /** Discount codes in the order typed. */
  codes: string[];
  /** Whether the buyer has said where it goes, or has been asked. */
  placed: boolean;
  country: string;
  region: string;
  postcode: string;
  name: string;
  email: string;
  street: string;
  city: string;
  business: boolean;
  taxNumber: string;
  /** A business buyer's own number of the order. */
  reference: string;
  /** What the buyer adds besides. */
  note: string;
  gift: boolean;
  giftName: string;
  giftMessage: string;
  /** Above the name, and how the carrier reaches who gets it. */
  company: string;
  phone: string;
  /** What a buyer who pays in cash will have at hand. */
  paysWith: string;
  /** Whether the invoice goes elsewhere; of a gift it does. */
  apart: boolean;
  invoice: InvoiceTo;
  extras: Record<string, string>;
  /** For whom vouchers are, by what names their line. */
  vouchers: Record<string, VoucherFor>;
  /** Whether to be reminded once of a basket that is left. */
  remind: boolean;
  /** The age that was confirmed. */
  age?: number;
  /** Of what is read, and of what is paid; the shop's own while nothing is chosen. */
  language?: string;
  currency?: string;
  /** Whether the texts shown were agreed to, by their hashes. */
  agreed?: string;
  /** Whether files are to be supplied at once, by the hash of what was agreed to. */
  atOnce?: string;
  delivery?: string;
  /** Ways chosen apart, by the place something leaves from. */
  deliveries?: Record<string, string>;
  /** The parcel shop picked, where the way chosen goes to one. */
  parcelShop?: ParcelShop;
  slot?: string;
  method?: string;
  /** A wallet that was asked at the basket, and the way to pay it stands for; until its answer is taken in. */
  sharing?: { id: string; method: string };
  /** Under which a wallet approved of the order that follows. */
  wallet?: string;
  /** The page of another site it is put together on, or that led here. */
  site?: string;
  /** The order it became, while its payment is made on another page. */
  ordered?: string;
}

/** Where a carrier hands a parcel over the counter. */
export interface ParcelShop {
  id: string;
  name: string;
  lines: string[];
  postcode: string;
  city: string;
}

/** Where the invoice goes, if not where the goods do. */
export interface InvoiceTo {
  name: string;
  street: string;
  postcode: string;
  city: string;
  country: string;
}

/** Who gets a voucher: the buyer, or somebody else on a day, or at once. */
export interface VoucherFor {
  other: boolean;
  name: string;
  email: string;
  /** ISO 8601, or empty. */
  on: string;
  message: string;
}

const fresh = (country: string): Kept => ({
  key: crypto.randomUUID(),
  visit: crypto.randomUUID(),
  lines: [],
  codes: [],
  placed: false,
  country,
  region: "",
  postcode: "",
  name: "",
  email: "",
  street: "",
  city: "",
  business: false,
  taxNumber: "",
  reference: "",
  note: "",
  gift: false,
  giftName: "",
  giftMessage: "",
  company: "",
  phone: "",
  paysWith: "",
  apart: false,
  invoice: { name: "", street: "", postcode: "", city: "", country },
  extras: {},
  vouchers: {},
  remind: false,
});

/** What is typed for a buyer is not the seller's own basket. */
const nameOf = (shop: string) => (forBuyer(shop) ? `basket ${shop} for buyers` : `basket ${shop}`);

/** What is kept of a shop's basket, as far as it can be read. */
export function keptOf(shop: string): Partial<Kept> {
  try {
    const kept = JSON.parse(lasting.getItem(nameOf(shop)) ?? "{}") as Partial<Kept>;
    // What was kept before goods asked anything or were filled has neither.
    return kept.lines
      ? {
          ...kept,
          lines: kept.lines.map((line) => ({ ...line, answers: line.answers ?? {}, contents: line.contents ?? [] })),
        }
      : kept;
  } catch {
    return {};
  }
}

/** Changes what is kept of a shop's basket, from outside of the counter. */
export const rekeep = (shop: string, part: Partial<Kept>): void =>
  lasting.setItem(nameOf(shop), JSON.stringify({ ...keptOf(shop), ...part }));

export function useBasket(shop: string, country: string) {
  const [kept, setKept] = useState<Kept>(() => {
    const kept = { ...fresh(country), ...keptOf(shop) };
    return { ...kept, placed: kept.placed || kept.postcode !== "" };
  });
  useEffect(() => lasting.setItem(nameOf(shop), JSON.stringify(kept)), [shop, kept]);
  return { kept, keep: (change: Partial<Kept>) => setKept((now) => ({ ...now, ...change })) };
}

/** Where a basket goes: as its buyer says, else as the shop assumes; nowhere where it assumes nothing. */
export const placeOf = (kept: Kept, counter: Pick<Counter, "assumed">): Destination | undefined =>
  kept.placed
    ? {
        country: kept.country,
        ...(kept.region ? { region: kept.region } : {}),
        ...(kept.postcode ? { postcode: kept.postcode } : {}),
      }
    : (counter.assumed ?? undefined);

/** Ends a basket once its order is paid. */
export const forget = (shop: string): void => lasting.removeItem(nameOf(shop));

export const sameLine = (a: Line, b: Line): boolean =>
  a.product === b.product &&
  a.amount === b.amount &&
  JSON.stringify(a.options) === JSON.stringify(b.options) &&
  JSON.stringify(a.answers) === JSON.stringify(b.answers) &&
  JSON.stringify(a.contents) === JSON.stringify(b.contents);

/** What one press of plus adds: one piece, or one step of the measure. */
export const stepOf = (product: CounterProduct | undefined): string => product?.measure?.step ?? "1";

/** A quantity some steps on, with the decimals of the step; for showing and sending, the server checks it. */
export function moved(quantity: string, step: string, times: number): string {
  const digits = step.split(".")[1]?.length ?? 0;
  const sum = Number((Number(quantity) + times * Number(step)).toFixed(digits));
  // Nothing left is 0, never −0.
  return (sum + 0).toFixed(digits);
}
