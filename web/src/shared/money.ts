const formats = new Map<string, Intl.NumberFormat>();

/** A formatter made once: making one takes far longer than using it. */
function format(currency: string, language: string, digits: number): Intl.NumberFormat {
  const key = `${language} ${currency} ${digits}`;
  let known = formats.get(key);
  if (!known) {
    const decimals = { minimumFractionDigits: digits, maximumFractionDigits: digits };
    known = new Intl.NumberFormat(language, { style: "currency", currency, ...decimals });
    formats.set(key, known);
  }
  return known;
}

/** An amount as the shop's language writes it. The decimals are those of the amount itself, which are ISO 4217's. */
export function money(amount: string, currency: string, language: string): string {
  const digits = amount.split(".")[1]?.length ?? 0;
  return format(currency, language, digits).format(amount as unknown as number);
}

/** A decimal text without needless zeros at its end: 2.10 is 2.1. */
export const plain = (value: string): string => (value.includes(".") ? value.replace(/\.?0+$/, "") : value);

export const isZero = (value: string): boolean => /^-?0*\.?0*$/.test(value);

/** A difference with its sign, which stays with the amount where the line breaks. */
export const signed = (amount: string, currency: string, language: string): string =>
  `${amount.startsWith("-") || isZero(amount) ? "" : "+\u2060"}${money(amount, currency, language)}`;
