import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type Line, type Problem, problemsOf } from "../api/client";

/** What a link puts into the basket: one from another site, or one from a reminder. */
async function followed(shop: string, search: URLSearchParams, take: string | null, again: string) {
  if (!take) {
    const left = await answer(
      api.GET("/api/counter/{shop}/unfinished/{token}", { params: { path: { shop, token: again } } }),
    );
    return { basket: left.basket, changed: [] };
  }
  const fields = Object.fromEntries([...search.entries()].filter(([name]) => name !== "take"));
  return answer(api.POST("/api/counter/{shop}/take", { params: { path: { shop } }, body: { take, fields } }));
}

/** Follows the link the counter was opened by, once; gives what is not as it was said there. */
export function useTaken(shop: string, put: (lines: Line[], codes: string[]) => void): Problem[] {
  const [search, setSearch] = useSearchParams();
  const [problems, setProblems] = useState<Problem[]>([]);
  const take = search.get("take");
  const link = take ?? search.get("again");
  const following = useRef("");
  useEffect(() => {
    if (!link || following.current === link) return;
    following.current = link;
    followed(shop, search, take, link).then(
      (found) => {
        put(found.basket.lines, found.basket.codes);
        setProblems(found.changed);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    // Loading the page again must not put it in twice.
    setSearch({}, { replace: true });
  }, [link, take, search, setSearch, shop, put]);
  return problems;
}
