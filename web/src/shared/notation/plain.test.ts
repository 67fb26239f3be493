import { expect, test } from "vitest";
import { minutes } from "./plain";

test("minutes are read as a span or as the latest alone", () => {
  expect(minutes.read("30-45")).toEqual({ from: 30, to: 45 });
  expect(minutes.read(" 30 – 45 ")).toEqual({ from: 30, to: 45 });
  expect(minutes.read("45")).toEqual({ to: 45 });
  expect(minutes.read("")).toBeUndefined();
  expect(minutes.read("soon")).toBe("soon");
});

test("what is written is read as it was", () => {
  for (const span of [{ from: 30, to: 45 }, { to: 45 }]) expect(minutes.read(minutes.write(span))).toEqual(span);
});
