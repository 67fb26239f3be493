import { describe, expect, it } from "vitest";
import german from "../../../../catalogue/de/desk.json";
import { deskNotation, fromDesk, type NotationWords, toDesk } from "./rates";

const key = (word: string) =>
  `desk.notation${word
    .split(" ")
    .map((part) => part[0]?.toUpperCase() + part.slice(1))
    .join("")}` as keyof typeof german;

const deutsch: NotationWords = {
  words: deskNotation().words.map(([word]) => [word, german[key(word)]] as const),
  decimal: german["desk.notationDecimal"],
};

const pairs = [
  ["5.90", "5,90"],
  ["free", "frei"],
  ["6.50, from 80 free", "6,50, ab 80 frei"],
  ["to 1 kg 4.90, to 5 kg 7.90, then +0.80/kg", "bis 1 kg 4,90, bis 5 kg 7,90, dann +0,80/kg"],
  ["to 2 items 3.00", "bis 2 Stück 3,00"],
  ["quote parcel-next, else 34.00", "Anfrage parcel-next, sonst 34,00"],
  ["4.00 + 2.5 %", "4,00 + 2,5 %"],
  ["6.00/parcel", "6,00/Paket"],
  ["by product", "nach Produkt"],
] as const;

describe("a rate on a German desk", () => {
  it.each(pairs)("%s is written %s", (file, desk) => {
    expect(toDesk(file, deutsch)).toBe(desk);
    expect(fromDesk(desk, deutsch)).toBe(file);
  });

  it("takes what a file has, too, and small or large letters", () => {
    expect(fromDesk("to 1 kg 4.90, then +0.80/kg", deutsch)).toBe("to 1 kg 4.90, then +0.80/kg");
    expect(fromDesk("Bis 1 kg 4,90", deutsch)).toBe("to 1 kg 4.90");
  });

  it("keeps the commas between parts, with or without a space where no digit follows", () => {
    expect(fromDesk("bis 1 kg 4,90,dann +0,80/kg", deutsch)).toBe("to 1 kg 4.90,then +0.80/kg");
  });

  it("is the file's own in English", () => {
    for (const [file] of pairs) {
      expect(toDesk(file, deskNotation())).toBe(file);
      expect(fromDesk(file, deskNotation())).toBe(file);
    }
  });
});
