import { expect, test } from "vitest";
import type { BuyerQuote } from "../api/client";
import { codesEffect } from "./codesEffect";

const quote = (payable: string, delivery: string) =>
  ({ currency: "EUR", payable, delivery: [{ chosen: true, price: delivery }], apart: [] }) as unknown as BuyerQuote;

test("a code that loses free delivery says what it comes to in all", () => {
  expect(codesEffect(quote("95.40", "9.40"), quote("96.00", "0.00"))).toEqual({ phrase: "codesLess", by: "0.60" });
  expect(codesEffect(quote("99.40", "9.40"), quote("96.00", "0.00"))).toEqual({ phrase: "codesMore", by: "3.40" });
  expect(codesEffect(quote("96.00", "9.40"), quote("96.00", "0.00"))?.phrase).toBe("codesSame");
});

test("a code that leaves delivery as it is says nothing more", () => {
  expect(codesEffect(quote("86.00", "9.40"), quote("96.00", "9.40"))).toBeUndefined();
  expect(codesEffect(undefined, quote("96.00", "9.40"))).toBeUndefined();
});
