import { expect, test } from "vitest";
import { answerable, characters, given, type Question } from "./answers";

const question = (kind: Question["kind"], part: Partial<Question> = {}): Question => ({
  id: "q",
  name: "Name",
  kind,
  compulsory: false,
  answers: [],
  ...part,
});

test("characters are what a reader counts", () => {
  expect(characters("Zoë")).toBe(3);
  expect(characters("Zoe\u0308")).toBe(3);
  expect(characters("👩‍👩‍👦 🇮🇪")).toBe(3);
});

test("a text is as long as its question lets it be", () => {
  expect(answerable(question("text", { most: 4 }), "Finn")).toBe(true);
  expect(answerable(question("text", { most: 4 }), "Finnn")).toBe(false);
  expect(answerable(question("text"), "")).toBe(true);
  expect(answerable(question("text", { compulsory: true }), "  ")).toBe(false);
});

test("a number may be typed with a comma and is sent with a point", () => {
  expect(answerable(question("number"), "2,5")).toBe(true);
  expect(answerable(question("number"), "two")).toBe(false);
  expect(given([question("number")], { q: "2,5" })).toEqual({ q: "2.5" });
  expect(given([question("number")], { q: " " })).toEqual({});
});
