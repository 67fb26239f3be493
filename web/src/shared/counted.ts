import { say } from "./say";

/** How far the server counts those that wait for a next step. */
const STEPS_COUNTED = 99;

/** How many wait for a next step: "12", "over 99". */
export const stepCount = (count: number): string =>
  count > STEPS_COUNTED ? say("over", { count: STEPS_COUNTED }) : String(count);

/** How many a list holds, counted as far as the server counts: "12", "over 1000". */
export const orderCount = (page: { count: number; more: boolean } | undefined): string =>
  page ? (page.more ? say("over", { count: page.count }) : String(page.count)) : "";
