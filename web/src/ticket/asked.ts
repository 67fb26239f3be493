import type { Destination, Line, Setup } from "../api/client";
import { say } from "../shared/say";

/** The order on the ticket, as the desk asks for it. */
export interface Asked {
  lines: Line[];
  to: Destination;
  codes: string[];
  deliveries: Record<string, string>;
  delivery?: string;
  slot?: string;
  method?: string;
  currency?: string;
  at?: string;
  buyer?: { kind: "person" | "business"; number?: object; exempt?: string };
  outside?: { exchange: { base: string; day: string; rates: Record<string, string> } };
}

/** What somebody changed on the ticket over the sample basket. */
export interface Changed {
  to?: Destination;
  codes: string;
  buyer: string;
  when: string;
  currency: string;
  rate: string;
  delivery?: string;
  deliveries: Record<string, string>;
  slot?: string;
  method?: string;
}

export const unchanged: Changed = { codes: "", buyer: "person", when: "", currency: "", rate: "", deliveries: {} };

type Basket = Setup["rehearsal"]["baskets"][number];

export function askedOf(basket: Basket | undefined, changed: Changed, shop: Setup["shop"]): Asked {
  const to = changed.to ?? basket?.to ?? { country: shop.address.country };
  const foreign = changed.currency && changed.currency !== shop.currency;
  return {
    lines: basket?.lines ?? [],
    to,
    codes: changed.codes.split(/[\s,]+/).filter(Boolean),
    deliveries: changed.deliveries,
    ...(changed.delivery ? { delivery: changed.delivery } : {}),
    ...(changed.slot ? { slot: changed.slot } : {}),
    ...(changed.method ? { method: changed.method } : {}),
    ...(changed.when ? { at: instantOf(changed.when, shop.timeZone) } : {}),
    ...buyerOf(changed.buyer, to),
    ...(foreign ? { currency: changed.currency, ...ratesOf(changed, shop.currency) } : {}),
  };
}

export const buyers = [
  { id: "person", name: say("person") },
  { id: "business", name: say("businessNumberConfirmed") },
  { id: "unconfirmed", name: say("businessNumberNotConfirmed") },
  { id: "exempt", name: say("exemptWithCertificate") },
];

function buyerOf(kind: string, to: Destination): Pick<Asked, "buyer"> {
  const number = { country: to.country, number: `${to.country}000000000` };
  switch (kind) {
    case "business":
      return {
        buyer: {
          kind: "business",
          number: { ...number, confirmed: { valid: true, at: "2026-01-01T00:00:00Z", reference: say("theTicket") } },
        },
      };
    case "unconfirmed":
      return { buyer: { kind: "business", number } };
    case "exempt":
      return { buyer: { kind: "person", exempt: "certificate" } };
    default:
      return {};
  }
}

/** The rate typed is units of the order's currency for one of the shop's. */
function ratesOf({ currency, rate }: Changed, base: string): Pick<Asked, "outside"> {
  const typed = rate.trim().replace(",", ".");
  return /^\d+(\.\d+)?$/.test(typed)
    ? { outside: { exchange: { base, day: new Date().toISOString().slice(0, 10), rates: { [currency]: typed } } } }
    : {};
}

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
