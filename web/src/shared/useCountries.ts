import { useQuery } from "@tanstack/react-query";
import { answer, api, type CountryCoverage } from "../api/client";
import { useBench } from "../desk/bench";

/** Every country as the draft has it: sold to or not, and in which zone. */
export function useCountries(): Map<string, CountryCoverage> {
  const bench = useBench();
  const held = useQuery({
    queryKey: ["countries", bench.shop, bench.draft.version],
    queryFn: () => answer(api.GET("/api/shops/{shop}/draft/countries", { params: { path: { shop: bench.shop } } })),
    placeholderData: (before) => before,
  });
  return new Map((held.data ?? []).map((each) => [each.country, each]));
}
