import type { Reached } from "../../api/client";
import { money } from "../../shared/money";
import type { Shade } from "../../shared/Shapes";
import { deskLocale, say } from "../../shared/say";

export type Stop = Reached["stops"][number];

const STEPS = [25, 42, 59, 76, 93];
const fillOf = (step: number): string =>
  `color-mix(in oklch, var(--color-accent) ${STEPS[step] ?? 25}%, var(--color-base-100))`;

/** The figures that the steps begin at: as many places in each as can be. */
export function stepsOf(stops: Stop[]): number[] {
  const prices = stops
    .filter(({ cell }) => !cell.hole)
    .map(({ cell }) => Number(cell.toPay))
    .sort((a, b) => a - b);
  const steps = STEPS.map((_, at) => prices[Math.floor((at * prices.length) / STEPS.length)] ?? 0);
  return steps.filter((step, at) => at === 0 || step !== steps[at - 1]);
}

/** The colour of a step among so many. */
export const fillAt = (step: number, steps: number): string =>
  fillOf(Math.round((step * (STEPS.length - 1)) / Math.max(1, steps - 1)));

/** How a place is drawn: by its price, hatched where it cannot be had, outlined where two zones hold it. */
export function shadeFor(stop: Stop | undefined, steps: number[], currency: string): Shade {
  if (!stop) return { fill: "var(--color-secondary)", says: say("notSold") };
  if (stop.cell.hole) return { fill: "var(--color-base-100)", hatched: true, says: stop.cell.hole };
  return {
    fill: fillAt(steps.filter((from) => Number(stop.cell.toPay) >= from).length - 1, steps.length),
    ...(stop.undecided.length > 0 ? { stroke: "var(--color-error)" } : {}),
    says: says(stop, currency),
  };
}

/** What a place comes to, in words. */
export function says({ cell, option, zone }: Stop, currency: string): string {
  return say("reachedFor", {
    amount: cell.toPay ? money(cell.toPay, currency, deskLocale()) : "–",
    option: option ?? (cell.delivery ? say("severalWays") : say("none")),
    zone: zone ?? "–",
  });
}
