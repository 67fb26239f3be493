import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api } from "../../api/client";
import { useBench, useMarks } from "../../desk/bench";
import { Fold } from "../../shared/Fold";
import { say } from "../../shared/say";

/** What the law of the shop's place asks, one by one, and whether it is met. */
export function Duties() {
  const bench = useBench();
  const marks = useMarks();
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
      title={say("whatLawAsksHere")}
      note={list.length === 0 ? say("noListKnownForThis") : say("dutiesMet", { met, count: list.length })}
    >
      {list.length === 0 ? (
        <p className="max-w-2xl">{say("weKnowDutiesShopsEuropean")}</p>
      ) : (
        <ul className="max-w-4xl">
          {list.map((duty) => (
            <li key={duty.name} className="flex items-baseline gap-4 border-b border-base-300 py-1.5">
              <span className={`w-20 shrink-0 text-sm font-semibold ${duty.met ? "" : "text-warning"}`}>
                {duty.met ? say("dutyMet") : say("notMet")}
              </span>
              <span className="flex-1">
                {duty.name} <span className="quiet">{duty.how}</span>
                <span className="block text-xs quiet">{duty.source}</span>
              </span>
              <button
                type="button"
                className="cursor-pointer text-sm underline"
                aria-label={say("go", { name: duty.name })}
                onClick={() => marks.goTo(duty.path)}
              >
                {say("goThere")}
              </button>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2 max-w-2xl text-xs quiet">{say("noLegalAdviceNotEverything")}</p>
    </Fold>
  );
}
