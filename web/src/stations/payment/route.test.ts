import { describe, expect, it } from "vitest";
import { bands, routeOf } from "./route";

const route = (kind: Parameters<typeof routeOf>[0]["kind"], more = {}) => routeOf({ kind, ...more } as never);

describe("the way the money takes", () => {
  it("ends in the band in which the money is there", () => {
    for (const kind of ["card", "wallet", "transfer", "cheque"] as const) {
      expect(route(kind).end, kind).toBeLessThan(bands.before);
    }
    for (const kind of ["cash-on-delivery", "cash-at-pickup"] as const) {
      expect(route(kind).end, kind).toBeGreaterThan(bands.before);
      expect(route(kind).end, kind).toBeLessThan(bands.handed);
    }
    expect(route("on-account").end).toBeGreaterThan(bands.handed);
  });

  it("stops where a card's money is held until the goods leave", () => {
    expect(route("card", { capture: "at-dispatch" }).stops.map((stop) => stop.what)).toEqual(["held", "taken"]);
    expect(route("card", { capture: "at-once" }).stops.map((stop) => stop.what)).toEqual(["taken"]);
  });

  it("takes as long on account as the terms say, and never leaves the page", () => {
    const days = (n: number) => route("on-account", { terms: { days: n } }).end;
    expect(days(14)).toBeLessThan(days(30));
    expect(days(90)).toBeLessThanOrEqual(1);
    expect(days(1)).toBeGreaterThan(bands.handed);
  });
});
