import { describe, expect, it } from "vitest";
import { adds, newChoices, partial, variationOf, withFigure } from "./choices";

const product = {
  options: [
    { id: "size", name: "Size", choices: [] },
    { id: "colour", name: "Colour", choices: [] },
  ],
  variations: [
    { id: "a", options: { size: "s", colour: "red" }, price: "9.00" },
    { id: "b", options: { size: "s" } },
  ],
} as unknown as Parameters<typeof variationOf>[0];

describe("choices", () => {
  it("are asked for in one line, each answer once", () => {
    expect(newChoices("Size: small, medium; large")).toEqual({
      name: "Size",
      choices: [
        { id: "small", name: "small" },
        { id: "medium", name: "medium" },
        { id: "large", name: "large" },
      ],
    });
    expect(newChoices("Größe: klein, klein").choices.map((each) => each.id)).toEqual(["klein", "klein-2"]);
    expect(newChoices("Size").name).toBe("");
    expect(newChoices("Size:  , ").name).toBe("");
  });

  it("of a crossing are those that name exactly what is chosen", () => {
    expect(variationOf(product, { colour: "red", size: "s" })?.id).toBe("a");
    expect(variationOf(product, { size: "s" })?.id).toBe("b");
    expect(variationOf(product, { size: "m", colour: "red" })).toBeUndefined();
    expect(partial(product).map((each) => each.id)).toEqual(["b"]);
  });

  it("have a figure more, another, or go when none is left", () => {
    const own = { id: "a", options: { size: "s" } } as unknown as Parameters<typeof withFigure>[0];
    const priced = withFigure(own, "price", "9.50");
    expect(priced).toEqual({ id: "a", options: { size: "s" }, price: "9.50" });
    expect(priced && withFigure(priced, "weight", "1 kg")).toMatchObject({ price: "9.50", weight: "1 kg" });
    expect(priced && withFigure(priced, "price", "")).toBeUndefined();
  });

  it.each([
    ["2.50", { extra: "2.50" }],
    ["+2,50", { extra: "2.50" }],
    ["-1", { extra: "-1" }],
    ["10 %", { percent: "10" }],
    ["", {}],
    ["much", { extra: "much" }],
  ])("add %s", (typed, added) => {
    expect(adds.read({ id: "l", name: "Large", extra: "1" } as never)(typed)).toEqual({
      id: "l",
      name: "Large",
      ...added,
    });
  });

  it("say what they add as it is typed", () => {
    expect(adds.write({ id: "l", name: "Large", extra: "2.50" })).toBe("2.50");
    expect(adds.write({ id: "l", name: "Large", percent: "10" })).toBe("10 %");
    expect(adds.write({ id: "l", name: "Large" })).toBe("");
  });
});
