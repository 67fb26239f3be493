import type { MethodSetup } from "./kinds";

/** When the money is there: before the goods leave, as they are handed over, or later. */
export type Band = "before" | "handed" | "later";

/** Where money stops on its way, along the width from 0 to 1. */
export interface Stop {
  at: number;
  what: "held" | "taken" | "asked" | "invoiced";
}

export interface Route {
  stops: Stop[];
  /** Where it is there. */
  end: number;
  band: Band;
  /** Who has it meanwhile. */
  holder: "processor" | "wallet" | "bank" | "door" | "counter" | "cheque" | "buyer";
}

/** The bands' right edges, and the moments that lie in them. */
export const bands: Record<Band, number> = { before: 0.42, handed: 0.65, later: 1 };
export const moments = { ordered: 0.04, leaves: 0.29, handed: 0.5, month: 0.97 };

const MONTH = 30;

/** The way the money of a method takes. */
export function routeOf(method: Pick<MethodSetup, "kind" | "capture" | "terms">): Route {
  const { ordered, leaves, handed } = moments;
  switch (method.kind) {
    case "card":
    case "wallet": {
      const holder = method.kind === "card" ? "processor" : "wallet";
      return method.capture === "at-dispatch"
        ? {
            stops: [
              { at: ordered, what: "held" },
              { at: leaves, what: "taken" },
            ],
            end: leaves + 0.09,
            band: "before",
            holder,
          }
        : { stops: [{ at: ordered, what: "taken" }], end: ordered + 0.12, band: "before", holder };
    }
    case "transfer":
      return { stops: [{ at: ordered, what: "asked" }], end: ordered + 0.18, band: "before", holder: "bank" };
    case "cheque":
      return { stops: [{ at: ordered, what: "asked" }], end: leaves - 0.04, band: "before", holder: "cheque" };
    case "cash-on-delivery":
      return { stops: [], end: handed, band: "handed", holder: "door" };
    case "cash-at-pickup":
      return { stops: [], end: handed, band: "handed", holder: "counter" };
    case "on-account": {
      const days = method.terms?.days ?? MONTH;
      const share = Math.min(1, days / MONTH);
      return {
        stops: [{ at: leaves, what: "invoiced" }],
        end: Math.max(bands.handed + 0.03, handed + (moments.month - handed) * share),
        band: "later",
        holder: "buyer",
      };
    }
  }
}
