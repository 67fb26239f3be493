import { useBench } from "../../desk/bench";

/** Which ways goods reach a buyer, and what is still missing for each, in a sentence each. */
export function Ways() {
  const bench = useBench();
  const { delivery, pickup } = bench.setup;
  const ways = [
    {
      name: "Sent",
      at: "delivery",
      offered: delivery.zones.some((zone) => Object.keys(zone.rates).length > 0),
      none: "Nothing is sent; zones and rates are at Delivery.",
    },
    {
      name: "Collected",
      at: "pickup/places",
      offered: pickup.places.length > 0,
      none: "There is no place to collect at.",
    },
    { name: "Brought round", at: "pickup/local", offered: pickup.local != null, none: "Nothing is brought round." },
  ];
  return (
    <ul aria-label="Ways to the buyer" className="mb-4 max-w-3xl">
      {ways.map((way) => {
        const missing = bench.draft.findings.find((finding) => finding.path.startsWith(way.at));
        return (
          <li key={way.name} className="flex items-baseline gap-4 py-0.5">
            <span className={`w-28 shrink-0 ${way.offered ? "font-semibold" : "quiet"}`}>{way.name}</span>
            <span className="flex-1">
              {!way.offered ? way.none : missing ? missing.sentence : "Offered; nothing is missing."}
              {way.offered && missing && (
                <button
                  type="button"
                  className="ms-2 cursor-pointer underline"
                  aria-label={`Go to what is missing: ${way.name}`}
                  onClick={() => bench.goTo(missing.path)}
                >
                  Go there
                </button>
              )}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
