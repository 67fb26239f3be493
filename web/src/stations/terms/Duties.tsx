import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Fold } from "../../shared/Fold";

/** What the law of the shop's place asks, one by one, and whether it is met. */
export function Duties() {
  const bench = useBench();
  const duties = useQuery({
    queryKey: ["duties", bench.shop, bench.draft.version],
    queryFn: () => answer(api.GET("/api/shops/{shop}/terms/duties", { params: { path: { shop: bench.shop } } })),
    placeholderData: keepPreviousData,
  });
  const list = duties.data;
  if (!list) return null;
  const met = list.filter((duty) => duty.met).length;
  return (
    <Fold
      title="What the law asks here"
      note={list.length === 0 ? "no list is known for this place" : `${met} of ${list.length} met`}
    >
      {list.length === 0 ? (
        <p className="max-w-2xl">
          We know the duties of shops in the European Union only. Ask your chamber of trade what holds where you are.
        </p>
      ) : (
        <ul className="max-w-4xl">
          {list.map((duty) => (
            <li key={duty.name} className="flex items-baseline gap-4 border-b border-base-300 py-1.5">
              <span className={`w-20 shrink-0 text-sm font-semibold ${duty.met ? "" : "text-warning"}`}>
                {duty.met ? "✓ met" : "✕ not met"}
              </span>
              <span className="flex-1">
                {duty.name} <span className="quiet">{duty.how}</span>
                <span className="block text-xs quiet">{duty.source}</span>
              </span>
              <button
                type="button"
                className="cursor-pointer text-sm underline"
                aria-label={`Go to ${duty.name}`}
                onClick={() => bench.goTo(duty.path)}
              >
                Go there
              </button>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2 max-w-2xl text-xs quiet">
        No legal advice, and not everything: what can be seen from the settings.
      </p>
    </Fold>
  );
}
