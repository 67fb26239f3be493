import type { Board, Destination, Setup } from "../../api/client";
import { say } from "../../shared/say";

export type Cell = Board["rows"][number]["cells"][number];
export type Figures = Cell["now"];
export type Pin = Setup["rehearsal"]["pins"][number];

/** What one cell shows, for the whole board. */
export type Figure = "toPay" | "delivery" | "tax" | "arrival" | "keep" | "ways";

export const figures: { id: Figure; name: string; pinned?: Pin["figure"] }[] = [
  { id: "toPay", name: say("figureToPay"), pinned: "to-pay" },
  { id: "delivery", name: say("figureDelivery"), pinned: "delivery" },
  { id: "tax", name: say("figureTax"), pinned: "tax" },
  { id: "arrival", name: say("figureArrival"), pinned: "arrival" },
  { id: "keep", name: say("figureKeep") },
  { id: "ways", name: say("figureWays") },
];

/** What a cell says in a figure; nothing where it has none. */
export function shown(of: Figures, figure: Figure): string | undefined {
  switch (figure) {
    case "arrival":
      return of.days == null ? undefined : say("daysShort", { days: of.days });
    case "ways":
      return of.hole ? undefined : String(of.ways.length);
    default:
      return of[figure] ?? undefined;
  }
}

export const samePlace = (one: Destination, other: Destination): boolean =>
  one.country === other.country &&
  (one.region ?? "") === (other.region ?? "") &&
  (one.postcode ?? "") === (other.postcode ?? "");

export type Filter = "all" | "differs" | "holes" | "losses";

/** Whether a cell is one of those looked for. */
export function matches(cell: Cell, figure: Figure, filter: Filter): boolean {
  switch (filter) {
    case "differs":
      return cell.live != null && (shown(cell.live, figure) !== shown(cell.now, figure) || differs(cell));
    case "holes":
      return cell.now.hole != null;
    case "losses":
      return Number(cell.now.keep ?? 0) < 0;
    default:
      return true;
  }
}

/** Whether it can be had now and could not, or the other way round. */
const differs = ({ now, live }: Cell): boolean => (now.hole == null) !== (live?.hole == null);
