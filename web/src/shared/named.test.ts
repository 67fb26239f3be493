import { iso31662 } from "iso-3166";
import { describe, expect, it } from "vitest";
import { begun, countriesIn, currenciesIn, languagesIn, named, near, timeZonesIn } from "./named";

/** Names as Unicode CLDR has them, by the browser; short names are common practice, no source. */
describe("names instead of codes", () => {
  it.each([
    ["Netherlands", "NL"],
    ["Holland", "NL"],
    ["nl", "NL"],
    ["UK", "GB"],
    ["Südkorea", "KR"],
    ["sudkorea", "KR"],
    ["Croatia", "HR"],
    ["Kroatien", "HR"],
    ["Côte d’Ivoire", "CI"],
    ["che", "CH"],
    ["Pays-Bas", "NL"],
    ["Niemcy", "DE"],
  ])("a country called %s is %s", (typed, id) => {
    expect(named(countriesIn("de"), typed)?.id).toBe(id);
  });

  it.each([
    ["euro", "EUR"],
    ["Schweizer Franken", "CHF"],
    ["US Dollar", "USD"],
    ["gbp", "GBP"],
  ])("a currency called %s is %s", (typed, id) => {
    expect(named(currenciesIn("de"), typed)?.id).toBe(id);
  });

  it("a language has a name, with its region where the setup has one", () => {
    expect(named(languagesIn("en"), "German")?.id).toBe("de");
    expect(named(languagesIn("de"), "Deutsch")?.id).toBe("de");
    expect(named(languagesIn("en", ["en-IE"]), "English (Ireland)")?.id).toBe("en-IE");
  });

  it("a time zone is found by its city", () => {
    const zones = timeZonesIn("en");
    expect(named(zones, "Brussels time")?.id).toBe("Europe/Brussels");
    expect(named(zones, "new york")?.id).toBe("America/New_York");
    expect(named(zones, "Europe/Dublin")?.id).toBe("Europe/Dublin");
  });

  it("a region is found by how its name begins, where only one does", () => {
    const regions = iso31662.map(({ code, name }) => ({ id: code, name, also: [] }));
    const of = (country: string) => regions.filter((each) => each.id.startsWith(`${country}-`));
    expect(begun(of("KR"), "Seoul")?.id).toBe("KR-11");
    expect(begun(of("US"), "north carolina")?.id).toBe("US-NC");
    expect(begun(of("US"), "North")).toBeUndefined();
    expect(begun(of("US"), "nc")).toBeUndefined();
    expect(begun(of("IE"), "Galway")?.id).toBe("IE-G");
  });

  it("guesses nothing, and says what is near", () => {
    expect(named(countriesIn("en"), "Atlantis")).toBeUndefined();
    expect(named(countriesIn("en"), "")).toBeUndefined();
    expect(near(countriesIn("en"), "ger", 3)[0]?.id).toBe("DE");
    expect(near(countriesIn("en"), "zealand", 3)[0]?.id).toBe("NZ");
    expect(near(countriesIn("en"), "", 3)).toEqual([]);
  });
});
