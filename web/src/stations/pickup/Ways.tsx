import { useBench, useMarks } from "../../desk/bench";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

/** Which ways goods reach a buyer, and what is still missing for each, in a sentence each. */
export function Ways() {
  const bench = useBench();
  const marks = useMarks();
  const { delivery, pickup } = bench.setup;
  const ways = [
    {
      name: say("sent"),
      at: "delivery",
      offered: delivery.zones.some((zone) => Object.keys(zone.rates).length > 0),
      none: say("nothingSentZonesRatesAre"),
    },
    {
      name: say("collected"),
      at: setupPath("pickup", "places"),
      offered: pickup.places.length > 0,
      none: say("thereNoPlaceCollectAt"),
    },
    {
      name: say("broughtRound"),
      at: setupPath("pickup", "local"),
      offered: pickup.local != null,
      none: say("nothingBroughtRound"),
    },
  ];
  return (
    <ul aria-label={say("waysBuyer")} className="mb-4 max-w-3xl">
      {ways.map((way) => {
        const missing = bench.draft.findings.find((finding) => finding.path.startsWith(way.at));
        return (
          <li key={way.name} className="flex items-baseline gap-4 py-0.5">
            <span className={`w-28 shrink-0 ${way.offered ? "font-semibold" : "quiet"}`}>{way.name}</span>
            <span className="flex-1">
              {!way.offered ? way.none : missing ? missing.sentence : say("offeredNothingMissing")}
              {way.offered && missing && (
                <TextButton
                  className="ms-2"
                  aria-label={say("goWhatMissing", { name: way.name })}
                  onClick={() => marks.goTo(missing.path)}
                >
                  {say("goThere")}
                </TextButton>
              )}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
