import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";

export const carrierKey = (shop: string) => ["carrier", shop];

/** The carrier a shop has connected, and what it offers. */
export function useCarrier() {
  const { shop } = useBench();
  return useQuery({
    queryKey: carrierKey(shop),
    queryFn: () => answer(api.GET("/api/shops/{shop}/carrier", { params: { path: { shop } } })),
  });
}
