import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { answer, api, type Destination, type Dress } from "../../api/client";
import { useBench } from "../../desk/bench";

const POLL_MILLIS = 700;
const CELLS_TO_JUDGE_BY = 3;

export interface DressCell {
  basket: string;
  to: Destination;
}

/** Which of its orders are looked at. */
export interface DressPage {
  /** How many are left out before them. */
  from: number;
  failed: boolean;
}

const first: DressPage = { from: 0, failed: false };

/** The dress rehearsal of who is signed in: begun, followed, stopped, its orders a page at a time. */
export function useDress() {
  const { shop } = useBench();
  const client = useQueryClient();
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const [page, setPage] = useState(first);
  const keyOf = (of: DressPage) => ["dress-rehearsal", shop, of];
  const seen = useQuery({
    queryKey: keyOf(page),
    // There is none yet where nothing is answered.
    queryFn: () =>
      answer(api.GET("/api/shops/{shop}/dress-rehearsal", { params: { path: { shop }, query: page } })).then(
        (view) => view ?? null,
      ),
    placeholderData: keepPreviousData,
    refetchInterval: (query) => (query.state.data?.state === "running" ? POLL_MILLIS : false),
    retry: false,
  });
  const view: Dress | undefined = seen.data ?? undefined;
  const minutesLeft = useMinutesLeft(view, seen.dataUpdatedAt);
  const begin = useMutation({
    mutationFn: (cells: DressCell[]) =>
      answer(api.POST("/api/shops/{shop}/dress-rehearsal", { ...path, body: { cells } })),
    onSuccess: (view) => {
      client.setQueryData(keyOf(first), view);
      setPage(first);
    },
  });
  const stop = () =>
    void answer(api.DELETE("/api/shops/{shop}/dress-rehearsal", path)).then(() =>
      client.invalidateQueries({ queryKey: ["dress-rehearsal", shop] }),
    );
  return { view, minutesLeft, known: !seen.isPending, begin, stop, page, setPage };
}

/** By what the last cells took, once some are behind it. @param at when it was looked at, in milliseconds */
function useMinutesLeft(view: Dress | undefined, at: number): number | undefined {
  const [mark, setMark] = useState<{ at: number; done: number }>();
  const running = view?.state === "running";
  const done = view?.done ?? 0;
  useEffect(() => {
    if (!running) setMark(undefined);
    else setMark((known) => known ?? { at, done });
  }, [running, at, done]);
  if (!view || !running || !mark || done - mark.done < CELLS_TO_JUDGE_BY) return undefined;
  return Math.ceil(((view.cells - done) * (at - mark.at)) / (done - mark.done) / 60_000);
}
