import { lazy, Suspense } from "react";
import { useActs, useBench } from "../../desk/bench";
import { PlacesField } from "../../shared/PlacesField";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { useCountries } from "../../shared/useCountries";

const WorldMap = lazy(() => import("../../shared/WorldMap"));

/** Where the shop sells: typed, or clicked on the map. */
export function PlacesSold() {
  const bench = useBench();
  const acts = useActs();
  const held = useCountries();
  const typed: string[] = bench.setup.shop.sellsTo;
  const toggle = (country: string) => {
    if (typed.includes(country))
      void acts.set(setupPath("shop", "sellsTo"), typed.filter((place) => place !== country).join(" "));
    else if (!held.get(country)?.sold) void acts.set(setupPath("shop", "sellsTo"), [...typed, country].join(" "));
  };
  return (
    <section aria-label={say("placesSold")}>
      <PlacesField path={setupPath("shop", "sellsTo")} label={say("sells")} note={say("placesByName")} />
      <Suspense fallback={<p className="py-10 text-center quiet">{say("unfoldingMap")}</p>}>
        <WorldMap
          label={say("placesShopSellsAreFilled")}
          pick={toggle}
          shadeOf={(country) => {
            const sold = held.get(country)?.sold ?? false;
            const by = typed.includes(country) ? say("sold") : say("soldAsPartGroup");
            return {
              fill: sold ? "var(--color-neutral)" : "var(--color-secondary)",
              stroke: undefined,
              says: sold ? by : say("notSold"),
            };
          }}
        />
      </Suspense>
    </section>
  );
}
