import { beforeEach, expect, test, vi } from "vitest";
import type { Counter } from "../../api/client";
import type { Kept } from "../basket";
import { keptOf, rekeep } from "../basket";
import { wishesOf } from "./Besides";

const kept = {
  note: "Ring twice.",
  gift: true,
  giftName: "Finn Sample",
  giftMessage: "Fly it high.",
  company: "Payer & Co",
  phone: "+353 21 555 0100",
  apart: true,
  invoice: { name: "Nora Sample", street: "7 Payer Lane", postcode: "H91 X2A0", city: "Galway", country: "IE" },
  extras: { tail: "red", gone: "old" },
} as unknown as Kept;

const asking = (more: Partial<Counter["asking"]>): Counter =>
  ({
    asking: {
      note: false,
      gift: false,
      withoutCodes: false,
      signIn: false,
      extras: [],
      company: "no",
      phone: "no",
      invoiceAddress: false,
      companyWith: [],
      phoneWith: [],
      ...more,
    },
  }) as unknown as Counter;

test("nothing that the shop no longer asks is sent, whatever was typed before", () => {
  expect(wishesOf(kept, asking({}))).toEqual({
    note: "",
    extras: {},
    vouchers: [],
    parcelShop: "",
    site: "",
    reference: "",
    company: "",
    phone: "",
  });
});

test("what is asked is sent, a field left empty is left out", () => {
  const extras = [
    { id: "tail", name: "Tail", kind: "text" as const, compulsory: true, answers: [] },
    { id: "size", name: "Size", kind: "number" as const, compulsory: false, answers: [] },
  ];
  expect(wishesOf(kept, asking({ note: true, gift: true, extras }))).toEqual({
    note: "Ring twice.",
    gift: { name: "Finn Sample", message: "Fly it high." },
    extras: { tail: "red" },
    vouchers: [],
    parcelShop: "",
    site: "",
    reference: "",
    company: "",
    phone: "",
    invoice: { name: "Nora Sample", lines: ["7 Payer Lane"], postcode: "H91 X2A0", city: "Galway", country: "IE" },
  });
});

test("a gift that was ticked off again is none", () => {
  expect(wishesOf({ ...kept, gift: false }, asking({ gift: true }))).toEqual({
    note: "",
    extras: {},
    vouchers: [],
    parcelShop: "",
    site: "",
    reference: "",
    company: "",
    phone: "",
  });
});

test("an address for the invoice is sent where it is asked, and with a gift in any case", () => {
  const invoice = { name: "Nora Sample", lines: ["7 Payer Lane"], postcode: "H91 X2A0", city: "Galway", country: "IE" };
  expect(wishesOf({ ...kept, gift: false }, asking({ invoiceAddress: true, phone: "optional" }))).toMatchObject({
    invoice,
    phone: "+353 21 555 0100",
    company: "",
  });
  expect(wishesOf({ ...kept, apart: false }, asking({ invoiceAddress: true })).invoice).toBeUndefined();
  expect(wishesOf({ ...kept, apart: false }, asking({ gift: true })).invoice).toEqual(invoice);
});

const store = new Map<string, string>();
beforeEach(() => {
  store.clear();
  vi.stubGlobal("localStorage", {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
  });
  vi.stubGlobal("sessionStorage", { getItem: () => null });
});

test("an address used again is put beside what lies in the basket already", () => {
  rekeep("shop", { lines: [{ product: "kite", quantity: "1", options: {} }] as Kept["lines"], note: "Ring twice." });
  rekeep("shop", { name: "Nora Sample", city: "Cork" });
  expect(keptOf("shop")).toMatchObject({ name: "Nora Sample", city: "Cork", note: "Ring twice." });
  expect(keptOf("shop").lines).toHaveLength(1);
  expect(keptOf("another")).toEqual({});
});

test("what cannot be read is nothing, and is written over", () => {
  store.set("basket shop", "{broken");
  expect(keptOf("shop")).toEqual({});
  rekeep("shop", { name: "Nora Sample" });
  expect(keptOf("shop")).toEqual({ name: "Nora Sample" });
});

test("what goes to a parcel shop has its invoice at the buyer's own address", () => {
  const shop = { id: "ie-1", name: "Kiosk", lines: ["7 Specimen Street"], postcode: "T12 X2A0", city: "Cork" };
  const at = { name: "Nora", street: "5 Example Lane", city: "Cork", postcode: "T12 X2A0", country: "IE" };
  const { parcelShop, invoice } = wishesOf(
    { ...kept, ...at, gift: false, apart: false, parcelShop: shop } as unknown as Kept,
    asking({}),
  );
  expect(parcelShop).toBe("ie-1");
  expect(invoice).toEqual({
    name: "Nora",
    lines: ["5 Example Lane"],
    city: "Cork",
    postcode: "T12 X2A0",
    country: "IE",
  });
});
