import type { Destination, Setup } from "../api/client";
import { say } from "../shared/say";

/** The order on the ticket, as the desk asks for it: what a ticket's request has, and nothing that is not said. */
export interface TicketOrder extends Omit<Order, "buyer" | "outside" | "to" | "at"> {
  to: Destination;
  at?: string;
  buyer?: { kind: "person" | "business"; number?: object; exempt?: string };
  outside?: {
    exchange?: { base: string; day: string; rates: Record<string, string> };
    credit?: object;
    card?: CardFrom;
  };
}

/** What the ticket asks over its sample order. */
export interface Choices {
  to?: Destination;
  codes: string;
  buyer: BuyerKind;
  /** On the shop's clock; now while it is empty. */
  when: string;
  currency: string;
  rate: string;
  delivery?: string;
  deliveries: Record<string, string>;
  slot?: string;
  method?: string;
  /** Where the card was issued that pays. */
  card: CardFrom;
  /** The buyer group the buyer belongs to. */
  group: string;
}

export type CardFrom = "home" | "eea" | "elsewhere";
export type SampleOrder = Setup["rehearsal"]["baskets"][number];
type Order = Omit<SampleOrder["order"], "to">;
type BuyerKind = SampleOrder["buyer"];

export const noChoices: Choices = {
  codes: "",
  buyer: "person",
  when: "",
  currency: "",
  rate: "",
  deliveries: {},
  card: "home",
  group: "",
};

/** What a sample order asks for by itself. */
export function startOf(sample: SampleOrder | undefined, timeZone: string): Choices {
  if (!sample) return noChoices;
  const { order } = sample;
  return {
    ...noChoices,
    codes: order.codes.join(" "),
    buyer: sample.buyer,
    group: sample.group ?? "",
    when: sample.at ? wallOf(sample.at, timeZone) : "",
    currency: order.currency ?? "",
    deliveries: order.deliveries,
    ...(order.delivery ? { delivery: order.delivery } : {}),
    ...(order.slot ? { slot: order.slot } : {}),
    ...(order.method ? { method: order.method } : {}),
  };
}

/** What is asked for besides goods and place, as far as something was chosen. */
const choicesOf = (changed: Choices) => ({
  codes: changed.codes.split(/[\s,]+/).filter(Boolean),
  deliveries: changed.deliveries,
  ...(changed.delivery ? { delivery: changed.delivery } : {}),
  ...(changed.slot ? { slot: changed.slot } : {}),
  ...(changed.method ? { method: changed.method } : {}),
});

export function ticketOrderOf(sample: SampleOrder | undefined, changed: Choices, shop: Setup["shop"]): TicketOrder {
  const to = changed.to ?? sample?.order.to ?? { country: shop.address.country };
  const foreign = changed.currency && changed.currency !== shop.currency;
  return {
    lines: sample?.order.lines ?? [],
    to,
    ...choicesOf(changed),
    ...(changed.group ? { group: changed.group } : {}),
    ...(changed.when ? { at: instantOf(changed.when, shop.timeZone) } : {}),
    ...buyerOf(changed.buyer, to),
    ...(foreign ? { currency: changed.currency } : {}),
    ...outsideOf(changed, foreign ? shop.currency : undefined),
  };
}

/** The sample order with what the ticket asks kept in it; a rate typed is the day's and is not. */
export function keptOf(sample: SampleOrder, changed: Choices, shop: Setup["shop"]): SampleOrder {
  const { at: _, group: __, ...kept } = sample;
  const to = changed.to ?? sample.order.to;
  const foreign = changed.currency && changed.currency !== shop.currency;
  return {
    ...kept,
    buyer: changed.buyer,
    ...(changed.group ? { group: changed.group } : {}),
    ...(changed.when ? { at: instantOf(changed.when, shop.timeZone) } : {}),
    order: {
      lines: sample.order.lines,
      ...(to ? { to } : {}),
      ...choicesOf(changed),
      ...(foreign ? { currency: changed.currency } : {}),
    },
  };
}

export const buyers: { id: BuyerKind; name: string }[] = [
  { id: "person", name: say("person") },
  { id: "business", name: say("businessNumberConfirmed") },
  { id: "unconfirmed-business", name: say("businessNumberNotConfirmed") },
  { id: "exempt", name: say("exemptWithCertificate") },
  { id: "let-pay-later", name: say("personLetPayLater") },
];

function buyerOf(kind: BuyerKind, to: Destination): Pick<TicketOrder, "buyer"> {
  const number = { country: to.country, number: `${to.country}000000000` };
  switch (kind) {
    case "business":
      return {
        buyer: {
          kind: "business",
          number: { ...number, confirmed: { valid: true, at: "2026-01-01T00:00:00Z", reference: say("theTicket") } },
        },
      };
    case "unconfirmed-business":
      return { buyer: { kind: "business", number } };
    case "exempt":
      return { buyer: { kind: "person", exempt: "certificate" } };
    default:
      return {};
  }
}

/**
 * What holds around the order: whether its buyer is let pay on account, where the card is from; the rate typed, units
 * of the order's currency for one of the shop's.
 */
function outsideOf({ buyer, currency, rate, card }: Choices, base: string | undefined): Pick<TicketOrder, "outside"> {
  const typed = rate.trim().replace(",", ".");
  const rates = base && /^\d+(\.\d+)?$/.test(typed) ? { [currency]: typed } : undefined;
  const outside = {
    ...(base && rates ? { exchange: { base, day: new Date().toISOString().slice(0, 10), rates } } : {}),
    ...(buyer === "let-pay-later" ? { credit: {} } : {}),
    ...(card === "home" ? {} : { card }),
  };
  return Object.keys(outside).length > 0 ? { outside } : {};
}

/** What a clock in a time zone shows at an instant, to the minute. */
const wallOf = (instant: string, timeZone: string): string =>
  new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short", timeStyle: "short" })
    .format(Date.parse(instant))
    .replace(" ", "T");

/** The instant of a wall-clock time in a time zone. */
export function instantOf(wall: string, timeZone: string): string {
  const asUtc = Date.parse(`${wall.slice(0, 16)}:00Z`);
  const shown = (instant: number) => {
    const parts = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short", timeStyle: "medium" }).format(
      instant,
    );
    return Date.parse(`${parts.replace(" ", "T")}Z`);
  };
  let instant = asUtc;
  for (let i = 0; i < 2; i++) instant -= shown(instant) - asUtc;
  return new Date(instant).toISOString().replace(".000", "");
}
