import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo } from "react";
import { answer, api, type Destination, type Dress } from "../../api/client";
import { useBench } from "../../desk/bench";

const POLL_MILLIS = 700;

export interface DressCell {
  basket: string;
  to: Destination;
}

/** The dress rehearsal of who is signed in: begun, followed, stopped. */
export function useDress() {
  const { shop } = useBench();
  const client = useQueryClient();
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const key = ["dress-rehearsal", shop];
  const seen = useQuery({
    queryKey: key,
    // There is none yet where nothing is answered.
    queryFn: () => answer(api.GET("/api/shops/{shop}/dress-rehearsal", path)).then((view) => view ?? null),
    refetchInterval: (query) => (query.state.data?.state === "running" ? POLL_MILLIS : false),
    retry: false,
  });
  const begin = useMutation({
    mutationFn: (cells: DressCell[]) =>
      answer(api.POST("/api/shops/{shop}/dress-rehearsal", { ...path, body: { cells } })),
    onSuccess: (view) => client.setQueryData(key, view),
  });
  const stop = () =>
    void answer(api.DELETE("/api/shops/{shop}/dress-rehearsal", path)).then((view) =>
      client.setQueryData(key, view ?? null),
    );
  const view: Dress | undefined = seen.data ?? undefined;
  return { view, known: !seen.isPending, begin, stop };
}
