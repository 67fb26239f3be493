import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef } from "react";
import { answer, api, type Changes } from "../../api/client";
import { useBench } from "../../desk/bench";

/** What is compared, and over which orders. Nothing for a side is live, or the draft. */
export interface Compared {
  before?: number;
  after?: number;
  of?: "orders" | "baskets";
  from?: string;
  to?: string;
  asOf?: string;
  /** As if 10,000 euro across borders within the Union were passed. */
  passed?: boolean;
}

const POLL_MILLIS = 400;

/** Asks orders under both setups beside everything else; what is under way stops when the draft moves. */
export function useChanges(compared: Compared, wanted: boolean) {
  const { shop, draft } = useBench();
  const client = useQueryClient();
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const begun = useQuery({
    queryKey: ["changes", shop, draft.version, draft.edition, compared],
    queryFn: () => answer(api.POST("/api/shops/{shop}/changes", { ...path, body: compared })),
    enabled: wanted,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const running = begun.data?.state === "running";
  const progress = useQuery({
    queryKey: ["changes-progress", shop, draft.version, draft.edition, compared],
    queryFn: () => answer(api.GET("/api/shops/{shop}/changes", path)),
    enabled: wanted && running,
    // What is asked for elsewhere answers there too: once it is done here it is not read again.
    staleTime: Number.POSITIVE_INFINITY,
    refetchOnWindowFocus: false,
    refetchInterval: (query) => (query.state.data?.state === "running" || !query.state.data ? POLL_MILLIS : false),
    retry: false,
  });
  // Whoever leaves waits for nothing more. What is asked next stops what is asked now, so a change of the draft needs
  // no word of its own, which might come late and stop the next.
  const under = useRef(false);
  under.current = wanted && running;
  useEffect(
    () => () => {
      if (under.current) void api.DELETE("/api/shops/{shop}/changes", path);
    },
    [path],
  );
  const again = () => {
    client.removeQueries({ queryKey: ["changes-progress", shop] });
    void begun.refetch();
  };
  const stop = () => void api.DELETE("/api/shops/{shop}/changes", path).then(() => progress.refetch());
  const view: Changes | undefined = running ? (progress.data ?? begun.data) : begun.data;
  return { view, error: begun.error, stop, again };
}
