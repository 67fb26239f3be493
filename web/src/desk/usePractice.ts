import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Practice, type Problem, problemsOf } from "../api/client";
import { useBench } from "./bench";

/** The simulated services of the installation, and how they are switched on and off. */
export function usePractice() {
  const { shop } = useBench();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const path = { params: { path: { shop } } };
  const { data } = useQuery({
    queryKey: ["practice", shop],
    queryFn: () => answer(api.GET("/api/shops/{shop}/practice", path)),
  });
  const run = (call: Promise<Practice>) =>
    call.then(
      (state) => {
        client.setQueryData(["practice", shop], state);
        setProblems([]);
        for (const key of ["gateways", "carrier", "draft"]) void client.invalidateQueries({ queryKey: [key, shop] });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  return {
    state: data,
    problems,
    start: () => run(answer(api.PUT("/api/shops/{shop}/practice", path))),
    stop: () => run(answer(api.DELETE("/api/shops/{shop}/practice", path))),
  };
}
