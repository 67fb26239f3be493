/** The steps of an order at the counter, in their order. */
export const steps = ["Basket", "Where", "How", "Pay"] as const;
export type Step = (typeof steps)[number];
