import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Destination } from "../../api/client";
import { useBench } from "../../desk/bench";
import { samePlace } from "./figures";

/** Where the places across come from. */
export type Source = "zones" | "countries" | "orders" | "typed";

interface Kept {
  source: Source;
  typed: Destination[];
}

/** So many are shown at most. */
export const MOST_PLACES = 50;

const nameOf = (shop: string) => `board ${shop}`;

/** What this browser keeps of the board; the setup keeps baskets and pins. */
function keptOf(shop: string): Kept {
  try {
    return { source: "zones", typed: [], ...(JSON.parse(localStorage.getItem(nameOf(shop)) ?? "{}") as Partial<Kept>) };
  } catch {
    return { source: "zones", typed: [] };
  }
}

export interface Places {
  source: Source;
  from: (source: Source) => void;
  shown: Destination[];
  /** Adds a place to those typed, beside those of now. */
  add: (to: Destination) => void;
  remove: (to: Destination) => void;
}

/** The places across: one of each zone, every country sold to, where orders went, or typed ones. */
export function usePlaces(): Places {
  const { shop, draft } = useBench();
  const [kept, setKept] = useState(() => keptOf(shop));
  const keep = (next: Kept) => {
    setKept(next);
    localStorage.setItem(nameOf(shop), JSON.stringify(next));
  };
  const { source } = kept;
  const found = useQuery({
    queryKey: ["board-places", shop, source, source === "orders" ? 0 : draft.version],
    queryFn: () =>
      answer(api.GET("/api/shops/{shop}/board/places", { params: { path: { shop }, query: { of: source } } })),
    enabled: source !== "typed",
    placeholderData: (before) => before,
  });
  const shown = source === "typed" ? kept.typed : (found.data ?? []);
  return {
    source,
    from: (next) => keep({ ...kept, source: next }),
    shown,
    add: (to) =>
      keep({ source: "typed", typed: [...shown.filter((each) => !samePlace(each, to)), to].slice(-MOST_PLACES) }),
    remove: (to) => keep({ source: "typed", typed: shown.filter((each) => !samePlace(each, to)) }),
  };
}
