import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { Link, useNavigate } from "react-router";
import { answer, api } from "../../api/client";
import { useBench } from "../../desk/bench";
import { say } from "../../shared/say";
import { shadeFor, stepsOf } from "../rehearsal/shades";

const WorldMap = lazy(() => import("../../shared/WorldMap"));

/** Where the draft can be bought from, all sample orders as one: small, with the way to the large map. */
export function ReachInBrief() {
  const { shop, draft, setup } = useBench();
  const navigate = useNavigate();
  const rehearsal = `/desk/${shop}/rehearsal`;
  const reach = useQuery({
    queryKey: ["reach", shop, draft.version, "brief"],
    queryFn: () =>
      answer(api.POST("/api/shops/{shop}/reach", { params: { path: { shop } }, body: { all: true, places: [] } })),
    enabled: setup.rehearsal.baskets.length > 0,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  if (!reach.data) return null;
  const { stops, currency } = reach.data;
  const whole = stops.filter(({ to }) => !to.region && !to.postcode);
  const holes = whole.filter(({ cell }) => cell.hole != null).length;
  const steps = stepsOf(stops);
  return (
    <section aria-label={say("whereToBeHad")} className="mt-6 max-w-2xl">
      <h2 className="text-lg">{say("whereToBeHad")}</h2>
      <p>
        {say("reachInBrief", { reached: whole.length - holes, holes })}{" "}
        <Link className="underline" to={rehearsal}>
          {say("reachAtRehearsal")}
        </Link>
      </p>
      <Suspense fallback={<p className="py-6 quiet">{say("unfoldingMap")}</p>}>
        <div className="max-w-md">
          <WorldMap
            label={say("reachBriefMap")}
            pick={() => void navigate(rehearsal)}
            shadeOf={(code) =>
              shadeFor(
                whole.find(({ to }) => to.country === code),
                steps,
                currency,
              )
            }
          />
        </div>
      </Suspense>
    </section>
  );
}
