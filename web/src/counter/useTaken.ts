import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type Line, type Problem, problemsOf } from "../api/client";

/** Puts what a link from another site holds into the basket, once; says what is not as that site said. */
export function useTaken(shop: string, put: (lines: Line[], codes: string[]) => void): Problem[] {
  const [search, setSearch] = useSearchParams();
  const [problems, setProblems] = useState<Problem[]>([]);
  const take = search.get("take");
  const following = useRef("");
  useEffect(() => {
    if (!take || following.current === take) return;
    following.current = take;
    const fields = Object.fromEntries([...search.entries()].filter(([name]) => name !== "take"));
    answer(api.POST("/api/counter/{shop}/take", { params: { path: { shop } }, body: { take, fields } })).then(
      (taken) => {
        put(taken.lines, taken.codes);
        setProblems(taken.changed);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    // Loading the page again must not put it in twice.
    setSearch({}, { replace: true });
  }, [take, search, setSearch, shop, put]);
  return problems;
}
