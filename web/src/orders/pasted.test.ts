import { describe, expect, it } from "vitest";
import { pastedNumbers } from "./pasted";

const chosen = [1001, 1002, 1003];

describe("numbers pasted from a carrier's file", () => {
  it.each([
    ["with tabs", "1001\tRR123456785IE\n1002\tRR123456794IE"],
    ["with semicolons and a heading", "Order;Parcel\n1001;RR123456785IE\r\n1002;RR123456794IE\n"],
    ["in other columns", "Cork,RR123456785IE,1001,2.4\nGalway,RR123456794IE,1002,0.5"],
    ["in quotes", '"#1001","RR123456785IE"\n"#1002","RR123456794IE"'],
    ["with spaces", "1001 RR123456785IE\n1002  RR123456794IE"],
  ])("%s", (_, text) => {
    expect(pastedNumbers(text, chosen).numbers).toEqual([
      { order: 1001, tracking: "RR123456785IE" },
      { order: 1002, tracking: "RR123456794IE" },
    ]);
  });

  it("name what they do not understand", () => {
    const pasted = pastedNumbers("Order;Parcel\n9999;RR1\n1003;\n1001;RR2", chosen);
    expect(pasted.numbers).toEqual([{ order: 1001, tracking: "RR2" }]);
    expect(pasted.left).toEqual(["Order;Parcel", "9999;RR1", "1003;"]);
  });
});
