import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo } from "react";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";

const POLL_MILLIS = 15_000;

/** The edition that waits for its time, if one does. */
export function useWaiting() {
  const { shop, draft } = useBench();
  const client = useQueryClient();
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const key = ["waiting", shop];
  const waiting = useQuery({
    queryKey: [...key, draft.edition],
    queryFn: () => answer(api.GET("/api/shops/{shop}/editions/waiting", path)),
    refetchInterval: POLL_MILLIS,
  });
  const read = () => client.invalidateQueries({ queryKey: key });
  return {
    edition: waiting.data?.edition ?? undefined,
    wait: (at: string, note: string) =>
      answer(api.POST("/api/shops/{shop}/editions/waiting", { ...path, body: { at, note } })).then(read),
    callOff: () => answer(api.DELETE("/api/shops/{shop}/editions/waiting", path)).then(read),
  };
}
