import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";

/** Whether the shop is open, and what stands against opening it. Asked again after every change of the draft. */
export function useOpening() {
  const { shop, draft } = useBench();
  return useQuery({
    queryKey: ["opening", shop, draft.edition],
    queryFn: () => answer(api.GET("/api/shops/{shop}/opening", { params: { path: { shop } } })),
  });
}
