import { useQueries, useQuery } from "@tanstack/react-query";
import { answer, api, type Board, type Destination } from "../../api/client";
import { useBench } from "../../desk/bench";

/** So many baskets are asked for at once: the board fills as they come. */
const AT_ONCE = 10;

export type BoardRow = Board["rows"][number];

/** The board of all sample orders over some places, as far as it has come. */
export function useBoard(places: Destination[]): { rows: BoardRow[]; at: string | undefined; busy: boolean } {
  const { shop, draft, setup } = useBench();
  const ids = setup.rehearsal.baskets.map(({ id }) => id);
  const chunks = Array.from({ length: Math.ceil(ids.length / AT_ONCE) }, (_, at) =>
    ids.slice(at * AT_ONCE, (at + 1) * AT_ONCE),
  );
  return useQueries({
    queries: chunks.map((baskets) => ({
      queryKey: ["board", shop, draft.version, draft.edition, places, baskets],
      queryFn: ({ signal }: { signal: AbortSignal }) =>
        answer(api.POST("/api/shops/{shop}/board", { params: { path: { shop } }, body: { baskets, places }, signal })),
      enabled: places.length > 0,
      staleTime: Number.POSITIVE_INFINITY,
      placeholderData: (before: Board | undefined) => before,
    })),
    combine: (parts) => ({
      rows: parts.flatMap(({ data }) => data?.rows ?? []),
      at: parts.find(({ data }) => data)?.data?.at,
      busy: parts.some(({ isFetching }) => isFetching),
    }),
  });
}

/** The pinned figures that the draft moves. */
export function useMoved() {
  const { shop, draft, setup } = useBench();
  return useQuery({
    queryKey: ["moved", shop, draft.version],
    queryFn: () => answer(api.GET("/api/shops/{shop}/board/moved", { params: { path: { shop } } })),
    enabled: setup.rehearsal.pins.length > 0,
    placeholderData: (before) => (setup.rehearsal.pins.length > 0 ? before : undefined),
  });
}
