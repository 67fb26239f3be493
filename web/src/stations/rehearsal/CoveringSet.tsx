import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, problemsOf } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

/** Sample orders made for the seller: every pair of values that can occur together, and every edge, as few as are found. */
export function CoveringSet() {
  const { shop } = useBench();
  const acts = useActs();
  const [most, setMost] = useState("");
  const path = { params: { path: { shop } } };
  const body = most.trim() ? { most: Number(most) } : {};
  const look = useMutation({
    mutationFn: () => answer(api.POST("/api/shops/{shop}/board/covering", { ...path, body })),
  });
  const write = useMutation({
    mutationFn: () =>
      answer(api.PUT("/api/shops/{shop}/board/covering", { ...path, body })).then(() => {
        look.reset();
        acts.refresh();
      }),
  });
  const found = look.data;
  return (
    <section aria-label={say("coveringSet")} className="mt-4">
      <div className="flex flex-wrap items-end gap-3">
        <label>
          <span className="block text-xs quiet">{say("coveringMost")}</span>
          <input
            className="inplace w-20"
            inputMode="numeric"
            placeholder="200"
            value={most}
            onChange={(event) => setMost(event.target.value)}
          />
        </label>
        <button type="button" className="btn btn-sm" disabled={look.isPending} onClick={() => look.mutate()}>
          {look.isPending ? say("coveringSought") : say("coveringMake")}
        </button>
      </div>
      {look.error != null && <Said problems={problemsOf(look.error)} />}
      {write.error != null && <Said problems={problemsOf(write.error)} />}
      {found && (
        <div role="status" className="mt-2">
          <p>{say("coveringFound", { orders: found.orders, pairs: found.pairs, edges: found.edges })}</p>
          <Named head={say("coveringUnreachable", { count: found.unreachable.length })} names={found.unreachable} />
          <Named head={say("coveringLeft", { count: found.left.length })} names={found.left} />
          <button type="button" className="btn btn-sm mt-2" disabled={write.isPending} onClick={() => write.mutate()}>
            {say("coveringKeep")}
          </button>
        </div>
      )}
    </section>
  );
}

/** What is not in it, counted and named: it is never called covered. */
function Named({ head, names }: { head: string; names: string[] }) {
  if (names.length === 0) return null;
  return (
    <details className="text-sm">
      <summary className="cursor-pointer">{head}</summary>
      <ul className="max-h-48 columns-2 overflow-auto text-xs quiet">
        {names.map((name) => (
          <li key={name}>{name}</li>
        ))}
      </ul>
    </details>
  );
}
