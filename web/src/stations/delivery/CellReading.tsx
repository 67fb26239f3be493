import { useQuery } from "@tanstack/react-query";
import { answer, api, type QuoteView, type Setup } from "../../api/client";
import { useBench, usePriced, useSpotlight, useTroubles, useTyped } from "../../desk/bench";
import { deskNotation, toDesk } from "../../shared/notation/rates";
import { setupPath, valueAt } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { endOf, RateCurve } from "./RateCurve";
import { RuleFields } from "./RuleFields";

type PriceRule = Setup["delivery"]["zones"][number]["rates"][string];

const examples = (currency: string): string[] => [
  "5.90",
  "free",
  "6.50, from 80 free",
  "to 1 kg 4.90, then +0.80/kg",
  "to 2 items 3.00",
  `to 50 ${currency} 4.90`,
];

const KILOGRAMS: Record<string, number> = { kg: 1, g: 0.001, lb: 0.45359237, oz: 0.028349523125 };

/** Where the ticket's basket stands on a rule's measure. */
function measured(rule: PriceRule, priced: QuoteView | undefined, currency: string): number | undefined {
  if (!priced || rule.basis.kind !== "bands") return undefined;
  const { unit } = rule.basis;
  const kilograms = KILOGRAMS[unit];
  if (kilograms) return Number(priced.weight.value) / kilograms;
  if (unit === "items") return priced.lines.reduce((sum, line) => sum + Number(line.quantity), 0);
  if (unit !== currency) return undefined;
  return priced.discounts.reduce((sum, each) => sum - Number(each.amount.value), Number(priced.goods.value));
}

/** A country of a zone, for the carrier to be asked about. */
function countryIn(places: string[]): string | undefined {
  const code = places.map((place) => /^[A-Z]{2}(?=$|[- ])/.exec(place)?.[0]).find(Boolean);
  return code === "EU" ? "DE" : code;
}

/** The curve, with the line of what the carrier asks where it goes by weight and a carrier is connected. */
function Curve({ rule, places }: { rule: PriceRule; places: string[] }) {
  const bench = useBench();
  const priced = usePriced();
  const drawn = endOf(rule);
  const kilograms = drawn && KILOGRAMS[drawn.unit];
  const country = countryIn(places);
  const upTo = drawn && kilograms ? Math.round(drawn.end * kilograms * 1000) / 1000 : 0;
  const costs = useQuery({
    queryKey: ["costs", bench.shop, country, upTo],
    enabled: Boolean(upTo && country),
    staleTime: 600_000,
    queryFn: () =>
      answer(
        api.GET("/api/shops/{shop}/carrier/costs", {
          params: { path: { shop: bench.shop }, query: { country: country ?? "", upTo } },
        }),
      ),
  });
  // The cheapest service is the one a price has to bear.
  const [name, points] =
    Object.entries(costs.data ?? {}).sort(([, a], [, b]) => Number(a[0]?.price) - Number(b[0]?.price))[0] ?? [];
  const cost =
    name && points && kilograms
      ? {
          name: say("asks", { name }),
          points: points.map((point) => ({ at: Number(point.kilograms) / kilograms, price: Number(point.price) })),
        }
      : undefined;
  return (
    <RateCurve rule={rule} basket={measured(rule, priced, bench.setup.shop.currency)} {...(cost ? { cost } : {})} />
  );
}

/** The rule of the cell under the cursor, read back in words and drawn. */
export function CellReading() {
  const bench = useBench();
  const spotlight = useSpotlight();
  const typed = useTyped();
  const troubles = useTroubles();
  const match = /^delivery\/zones\/([^/]+)\/rates\/([^/]+)$/.exec(spotlight.at);
  const zone = bench.setup.delivery.zones.find((each) => each.id === match?.[1]);
  const option = bench.setup.delivery.options.find((each) => each.id === match?.[2]);
  if (!zone || !option) {
    return <p className="quiet">{say("chooseCellArrowsMoveTyping")}</p>;
  }
  const path = setupPath("delivery", "zones", zone.id, "rates", option.id);
  const tried = typed.trying.find((edit) => edit.path === path);
  const rule = valueAt(bench.draft.document, path);
  const words = (tried ? typed.readings : bench.draft.texts)[path]?.words.join(" ") ?? say("notOfferedHere");
  return (
    <div className="grid grid-cols-[3fr_2fr] gap-6" id="sheet-reading">
      <div>
        <h2>
          {zone.name}, {option.name}
        </h2>
        {troubles.problems.length > 0 ? <Said problems={troubles.problems} /> : <p className="mt-1">{words}</p>}
        {tried && <p className="text-xs quiet">{say("enterKeepsEscapeLeavesAs")}</p>}
        {!tried && <RuleFields key={bench.draft.version} path={path} rule={rule} />}
        <ul className="mt-3 flex flex-wrap gap-x-4 font-mono text-xs quiet" aria-label={say("howPriceCanBeWritten")}>
          {examples(bench.setup.shop.currency).map((example) => (
            <li key={example}>{toDesk(example, deskNotation())}</li>
          ))}
        </ul>
      </div>
      {rule && !tried && <Curve rule={rule} places={zone.places} />}
    </div>
  );
}
