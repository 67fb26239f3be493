import { lazy, Suspense } from "react";
import { useBench } from "../../desk/bench";
import { Field, places } from "../../shared/Field";
import { useCountries } from "../../shared/useCountries";

const WorldMap = lazy(() => import("../../shared/WorldMap"));

/** Where the shop sells: typed, or clicked on the map. */
export function PlacesSold() {
  const bench = useBench();
  const held = useCountries();
  const typed: string[] = bench.setup.shop.sellsTo;
  const toggle = (country: string) => {
    if (typed.includes(country)) void bench.set("shop/sellsTo", typed.filter((place) => place !== country).join(" "));
    else if (!held.get(country)?.sold) void bench.set("shop/sellsTo", [...typed, country].join(" "));
  };
  return (
    <section aria-label="Places sold to">
      <Field
        path="shop/sellsTo"
        label="Sells to"
        note="Countries by name or code, regions (US-NC), or EU, EURO, EUROPE, WORLD; commas between names. A click on the map adds or takes away."
        write={places.write}
        read={places.read}
      />
      <Suspense fallback={<p className="py-10 text-center quiet">Unfolding the map …</p>}>
        <WorldMap
          label="Places the shop sells to are filled in."
          pick={toggle}
          shadeOf={(country) => {
            const sold = held.get(country)?.sold ?? false;
            const by = typed.includes(country) ? "sold to" : "sold to, as part of a group";
            return {
              fill: sold ? "var(--color-neutral)" : "var(--color-secondary)",
              stroke: undefined,
              says: sold ? by : "not sold to",
            };
          }}
        />
      </Suspense>
    </section>
  );
}
