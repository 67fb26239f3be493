import IntlMessageFormat from "intl-messageformat";

export type Catalogue = Readonly<Record<string, string>>;

/** A made-up language whose every phrase stands in brackets, so that a test sees what is not phrased. */
const BRACKETED = "qaa";

/** The language of a tag without its region: "de" of "de-CH". */
export const subtag = (language: string): string => language.toLowerCase().split("-")[0] ?? "";

/** One area of the catalogue in one language, formatted by ICU MessageFormat. */
export class Phrases {
  readonly locale: string;
  readonly bracketed: boolean;
  private readonly formats = new Map<string, IntlMessageFormat>();
  private readonly layers: readonly Catalogue[];

  /** @param layers catalogues, the first that has a code says it */
  constructor(language: string, layers: readonly Catalogue[]) {
    this.bracketed = subtag(language) === BRACKETED;
    this.locale = this.bracketed ? "en" : language;
    this.layers = layers;
  }

  has(code: string): boolean {
    return this.layers.some((layer) => layer[code] !== undefined);
  }

  /** A code that no catalogue has is shown as it is. */
  of(code: string): IntlMessageFormat {
    const known = this.formats.get(code);
    if (known) return known;
    const pattern = this.layers.find((layer) => layer[code] !== undefined)?.[code] ?? code;
    const made = new IntlMessageFormat(pattern, this.locale);
    this.formats.set(code, made);
    return made;
  }

  say(code: string, values?: Record<string, string | number>): string {
    const text = String(this.of(code).format(values));
    return this.bracketed ? `[${text}]` : text;
  }
}
