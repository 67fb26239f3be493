import { describe, expect, it } from "vitest";
import { hasPostcode, postcodeName, rowsOf } from "./address";

// Source: the address data of libaddressinput, which the library ships; the same order as the Universal Postal Union's sheets, from memory.
describe("an address form", () => {
  it.each([
    ["DE", [["street"], ["postcode", "city"]]],
    ["CH", [["street"], ["postcode", "city"]]],
    ["GB", [["street"], ["city"], ["postcode"]]],
    ["US", [["street"], ["city", "postcode"]]],
  ])("stands as on an envelope in %s", (country, rows) => {
    expect(rowsOf(country, false)).toEqual(rows);
  });

  it("has the state between town and ZIP code where the shop asks for one", () => {
    expect(rowsOf("US", true)).toEqual([["street"], ["city", "region", "postcode"]]);
    expect(postcodeName("US")).toBe("ZIP code");
  });

  it("asks for no postcode where there is none", () => {
    expect(hasPostcode("HK")).toBe(false);
    expect(hasPostcode("DE")).toBe(true);
  });

  it("has street and town everywhere", () => {
    for (const country of ["AT", "IE", "FR", "JP", "CN", "BR", "AE", "XX"])
      expect(rowsOf(country, false).flat()).toEqual(expect.arrayContaining(["street", "city"]));
  });
});
