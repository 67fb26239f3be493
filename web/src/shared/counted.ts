/** "1 parcel", "2 parcels". */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** How many of a list there are, counted as far as the server counts: "12", "over 1000". */
export const orderCount = (page: { count: number; more: boolean } | undefined): string =>
  page ? `${page.more ? "over " : ""}${page.count}` : "";
