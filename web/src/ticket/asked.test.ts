import { describe, expect, it } from "vitest";
import type { Setup } from "../api/client";
import { askedOf, instantOf, unchanged } from "./asked";

const shop = { currency: "EUR", timeZone: "Europe/Dublin", address: { country: "IE" } } as unknown as Setup["shop"];
const basket = {
  id: "one",
  name: "One",
  lines: [{ product: "kite", quantity: "1", options: {} }],
  to: { country: "IE", postcode: "T12 X2A0" },
};

describe("an order on the ticket", () => {
  it("is the basket as it stands, placed now by a person", () => {
    expect(askedOf(basket, unchanged, shop)).toEqual({ lines: basket.lines, to: basket.to, codes: [], deliveries: {} });
  });

  it("takes what was changed over it", () => {
    const changed = {
      ...unchanged,
      to: { country: "DE" },
      codes: "SPRING10, OPENDAY",
      delivery: "tube",
      method: "card",
    };
    expect(askedOf(basket, changed, shop)).toMatchObject({
      to: { country: "DE" },
      codes: ["SPRING10", "OPENDAY"],
      delivery: "tube",
      method: "card",
    });
  });

  it("knows a business whose number was confirmed from one whose number was not", () => {
    const confirmed = askedOf(basket, { ...unchanged, buyer: "business", to: { country: "DE" } }, shop);
    expect(confirmed.buyer).toMatchObject({ kind: "business", number: { country: "DE", confirmed: { valid: true } } });
    const open = askedOf(basket, { ...unchanged, buyer: "unconfirmed" }, shop);
    expect(open.buyer?.number).not.toHaveProperty("confirmed");
    expect(askedOf(basket, { ...unchanged, buyer: "exempt" }, shop).buyer?.exempt).toBe("certificate");
  });

  it("asks in another currency with the rate typed, and without one when there is none yet", () => {
    const francs = { ...unchanged, currency: "CHF", rate: "0,9312" };
    expect(askedOf(basket, francs, shop)).toMatchObject({
      currency: "CHF",
      outside: { exchange: { base: "EUR", rates: { CHF: "0.9312" } } },
    });
    expect(askedOf(basket, { ...francs, rate: "" }, shop)).not.toHaveProperty("outside");
    expect(askedOf(basket, { ...unchanged, currency: "EUR" }, shop)).not.toHaveProperty("currency");
  });
});

/** Clocks go forward in Dublin at 01:00 on 29 March 2026 and back on 25 October. Source: IANA time zone database. */
describe("a time on the shop's clock", () => {
  it.each([
    ["2026-01-15T12:00", "Europe/Dublin", "2026-01-15T12:00:00Z"],
    ["2026-07-15T12:00", "Europe/Dublin", "2026-07-15T11:00:00Z"],
    ["2026-03-29T12:00", "Europe/Dublin", "2026-03-29T11:00:00Z"],
    ["2026-11-25T09:30", "America/New_York", "2026-11-25T14:30:00Z"],
    ["2026-11-25T09:30", "Asia/Tokyo", "2026-11-25T00:30:00Z"],
  ])("%s in %s is %s", (wall, zone, instant) => {
    expect(instantOf(wall, zone)).toBe(instant);
  });
});
