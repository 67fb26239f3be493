import { describe, expect, it } from "vitest";
import type { Setup } from "../api/client";
import { instantOf, keptOf, noChoices, type SampleOrder, startOf, ticketOrderOf } from "./sampleOrder";

const shop = { currency: "EUR", timeZone: "Europe/Dublin", address: { country: "IE" } } as unknown as Setup["shop"];
const lines = [{ product: "kite", quantity: "1", options: {}, answers: {}, contents: [] }];
const to = { country: "IE", postcode: "T12 X2A0" };
const basket: SampleOrder = {
  id: "one",
  name: "One",
  buyer: "person",
  order: { lines, to, codes: [], deliveries: {} },
};

describe("an order on the ticket", () => {
  it("is the basket as it stands, placed now by a person", () => {
    expect(ticketOrderOf(basket, noChoices, shop)).toEqual({ lines, to, codes: [], deliveries: {} });
  });

  it("takes what was changed over it", () => {
    const changed = {
      ...noChoices,
      to: { country: "DE" },
      codes: "SPRING10, OPENDAY",
      delivery: "tube",
      method: "card",
    };
    expect(ticketOrderOf(basket, changed, shop)).toMatchObject({
      to: { country: "DE" },
      codes: ["SPRING10", "OPENDAY"],
      delivery: "tube",
      method: "card",
    });
  });

  it("knows a business whose number was confirmed from one whose number was not", () => {
    const confirmed = ticketOrderOf(basket, { ...noChoices, buyer: "business", to: { country: "DE" } }, shop);
    expect(confirmed.buyer).toMatchObject({ kind: "business", number: { country: "DE", confirmed: { valid: true } } });
    const open = ticketOrderOf(basket, { ...noChoices, buyer: "unconfirmed-business" }, shop);
    expect(open.buyer?.number).not.toHaveProperty("confirmed");
    expect(ticketOrderOf(basket, { ...noChoices, buyer: "exempt" }, shop).buyer?.exempt).toBe("certificate");
  });

  it("asks in another currency with the rate typed, and without one when there is none yet", () => {
    const francs = { ...noChoices, currency: "CHF", rate: "0,9312" };
    expect(ticketOrderOf(basket, francs, shop)).toMatchObject({
      currency: "CHF",
      outside: { exchange: { base: "EUR", rates: { CHF: "0.9312" } } },
    });
    expect(ticketOrderOf(basket, { ...francs, rate: "" }, shop)).not.toHaveProperty("outside");
    expect(ticketOrderOf(basket, { ...noChoices, currency: "EUR" }, shop)).not.toHaveProperty("currency");
  });
});

describe("a sample order", () => {
  const sample: SampleOrder = {
    ...basket,
    buyer: "business",
    group: "schools",
    at: "2026-07-15T11:00:00Z",
    order: { ...basket.order, codes: ["SPRING10"], delivery: "tube", method: "card", currency: "CHF" },
  };

  it("asks for what it says by itself", () => {
    expect(ticketOrderOf(sample, startOf(sample, shop.timeZone), shop)).toMatchObject({
      lines,
      to,
      codes: ["SPRING10"],
      delivery: "tube",
      method: "card",
      currency: "CHF",
      group: "schools",
      at: "2026-07-15T11:00:00Z",
      buyer: { kind: "business" },
    });
  });

  it("keeps what the ticket asks, and nothing of what was taken back", () => {
    expect(keptOf(sample, startOf(sample, shop.timeZone), shop)).toEqual(sample);
    const plain = keptOf(sample, { ...noChoices, to: { country: "DE" } }, shop);
    expect(plain).toEqual({
      ...basket,
      order: { lines, to: { country: "DE" }, codes: [], deliveries: {} },
    });
    expect(keptOf(sample, { ...noChoices, group: "regulars" }, shop).group).toBe("regulars");
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
