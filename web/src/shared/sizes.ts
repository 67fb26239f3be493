const MEGA = 1_000_000;

/** How long a file is, in a language: kilobytes below a megabyte. */
export function sizeOf(bytes: number, language: string): string {
  const mega = bytes >= MEGA;
  return new Intl.NumberFormat(language, {
    style: "unit",
    unit: mega ? "megabyte" : "kilobyte",
    maximumFractionDigits: mega ? 1 : 0,
  }).format(bytes / (mega ? MEGA : 1000));
}
