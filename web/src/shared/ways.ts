import type { Setup } from "../api/client";

/** Ways goods get to buyers and ways to pay, by what orders name them. */
export function waysOf({ delivery, pickup, payment }: Setup) {
  return {
    ways: [
      ...delivery.options.map(({ id, name }) => ({ id, name })),
      ...pickup.places.map(({ id, name }) => ({ id: `pickup-${id}`, name })),
      ...(pickup.local ? [{ id: "local", name: pickup.local.name }] : []),
    ],
    methods: payment.methods.map(({ id, title }) => ({ id, name: title })),
  };
}
