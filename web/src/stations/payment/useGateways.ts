import { useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, type Gateway } from "../../api/client";
import { useBench } from "../../desk/bench";

/** Who there are adapters for. */
export type Provider = Gateway["provider"];

/** Accounts with providers as they are now; they are not part of the draft. */
export function useGateways() {
  const { shop } = useBench();
  const client = useQueryClient();
  const key = ["gateways", shop];
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/gateways", { params: { path: { shop } } })),
  });
  return {
    of: (id: string | null | undefined): Gateway | undefined => data?.find((each) => each.id === id),
    /** After one of them has changed. */
    refresh: () => {
      void client.invalidateQueries({ queryKey: key });
      void client.invalidateQueries({ queryKey: ["draft", shop] });
      // An account that was tried, or is not any more, may stand against opening.
      void client.invalidateQueries({ queryKey: ["opening", shop] });
    },
  };
}

/** Whether money can go through an account. */
export const usable = (gateway: Gateway | undefined): boolean => gateway?.state === "test" || gateway?.state === "live";
