import { Link, useLocation } from "react-router";
import { SewingButton, type Sewn } from "../shared/SewingButton";
import { say } from "../shared/say";
import { useOpening } from "../stations/opening/useOpening";
import { useMoved } from "../stations/rehearsal/useBoard";
import { useBench } from "./bench";

/** The stations that exist, in the order an order takes. */
export const stations = [
  { id: "shop", name: say("shop") },
  { id: "goods", name: say("goods") },
  { id: "delivery", name: say("delivery") },
  { id: "pickup", name: say("pickup") },
  { id: "tax", name: say("tax") },
  { id: "payment", name: say("payment") },
  { id: "terms", name: say("terms") },
  { id: "rehearsal", name: say("rehearsal") },
  { id: "opening", name: say("opening") },
] as const;

const spoken: Record<Sewn, string> = { sewn: say("complete"), half: say("notComplete"), empty: say("notBegun") };

/** The rehearsal is there once there is something to try; a pinned figure that moved keeps an edition back. */
const rehearsed = (baskets: number, moved: number) => ({
  state: baskets === 0 ? ("empty" as const) : moved > 0 ? ("half" as const) : ("sewn" as const),
  word: moved > 0 ? say("pinsMoved", { count: moved }) : "",
  blocks: moved > 0,
});

/** Where the setup stands: one button a station. */
export function Thread() {
  const bench = useBench();
  const location = useLocation();
  const opening = useOpening();
  const moved = useMoved();
  const at = stations.findIndex((station) => station.id === location.pathname.split("/")[3]);
  return (
    <nav
      aria-label={say("stations")}
      className={`border-b border-base-300 px-5 pt-2 pb-1.5 max-sm:px-3 ${at < 0 ? "max-sm:hidden" : ""}`}
    >
      <ol className="flex sm:max-md:grid sm:max-md:grid-cols-4 max-md:gap-y-1">
        {stations.map((station, index) => {
          const state =
            station.id === "opening"
              ? {
                  state: opening.data?.open ? ("sewn" as const) : ("empty" as const),
                  word: opening.data?.open ? "" : say("closed"),
                  blocks: false,
                }
              : station.id === "rehearsal"
                ? rehearsed(bench.setup.rehearsal.baskets.length, moved.data?.length ?? 0)
                : bench.draft.stations.find((each) => each.station === station.id);
          const sewn: Sewn = state?.state ?? "empty";
          const here = location.pathname.split("/")[3] === station.id;
          return (
            <li key={station.id} className={`flex-1 ${Math.abs(index - at) > 1 ? "max-sm:hidden" : ""}`}>
              <div className="flex items-center">
                <SewingButton state={sewn} lit={here} />
                <span className={index < stations.length - 1 ? "stitch" : ""} />
              </div>
              <Link
                to={`/desk/${bench.shop}/${station.id}`}
                aria-current={here ? "page" : undefined}
                className={`font-head font-semibold max-md:text-[0.7rem] ${here ? "border-b-2 border-accent" : "border-b-2 border-transparent hover:border-base-300"}`}
              >
                {station.name}
                <span className="sr-only"> {spoken[sewn]}</span>
              </Link>
              {state?.word && (
                <span
                  className={`ms-2 whitespace-nowrap text-xs max-md:hidden ${state.blocks ? "text-error" : "quiet"}`}
                >
                  {state.word}
                </span>
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
