import type { CarrierLink, Setup } from "../../api/client";
import { useActs, useBench, useMarks } from "../../desk/bench";
import { plain } from "../../shared/money";
import { figure, stored } from "../../shared/notation/figures";
import type { SetupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { useCarrier } from "./useCarrier";

type PriceRule = Setup["delivery"]["zones"][number]["rates"][string];

/** A rule taken apart, as far as fields show it. */
interface Parts {
  bands: { upTo: string; price: string }[];
  unit: string;
  above?: { step: string; price: string };
  free: string;
  /** The carrier's service that is asked; its price above is what holds when it does not answer. */
  service?: string;
}

function partsOf(rule: PriceRule | undefined): Parts | null {
  const free = rule?.freeFrom ? plain(rule.freeFrom) : "";
  if (!rule || (rule.basis.kind === "fixed" && !rule.basis.perParcel)) {
    const price = rule?.basis.kind === "fixed" ? rule.basis.price : "";
    return { bands: [{ upTo: "", price }], unit: "", free };
  }
  if (rule.basis.kind === "carrier-quote" && !rule.reducedTo) {
    return { bands: [{ upTo: "", price: rule.basis.otherwise }], unit: "", free, service: rule.basis.service };
  }
  if (rule.basis.kind !== "bands" || rule.reducedTo) return null;
  const { bands, unit, then } = rule.basis;
  return { bands, unit, free, ...(then ? { above: then } : {}) };
}

/** The parts as the short rule they stand for. */
export function textOf({ bands, unit, above, free, service }: Parts): string {
  const kept = bands.filter((band) => band.price.trim() !== "");
  const last = kept.at(-1);
  if (!last) return "";
  if (service) return `quote ${service}, else ${last.price.trim()}${free.trim() ? `, from ${free.trim()} free` : ""}`;
  const of = unit === "items" ? "items" : unit;
  const priced = kept
    .filter((band) => band.upTo.trim() !== "")
    .map((band) => `to ${band.upTo.trim()} ${of} ${band.price.trim()}`);
  const rule = priced.length > 0 ? priced.join(", ") : last.price.trim();
  const step = above && plain(above.step) !== "1" ? `${plain(above.step)} ` : "";
  const more =
    above?.price && priced.length > 0 ? `, then +${above.price}/${step}${unit === "items" ? "item" : unit}` : "";
  return rule + more + (free.trim() ? `, from ${free.trim()} free` : "");
}

/** What the first choice is called where the carrier is asked; no unit is. */
const CARRIER = "carrier";

/** Why nobody is asked yet, where so. */
function CarrierNote({ service, carrier }: { service: string; carrier: CarrierLink | undefined }) {
  const { services = [], connected } = carrier ?? {};
  if (connected && services.some((each) => each.id === service)) {
    return <p className="quiet">{say("priceOtherwiseHolds")}</p>;
  }
  return <p className="text-warning">{connected ? say("carrierHasNoSuchService") : say("noCarrierConnected")}</p>;
}

interface RuleFieldsProps {
  path: SetupPath;
  rule: PriceRule | undefined;
  /** Whether a carrier can be asked for it. */
  byCarrier?: boolean;
}

/** The same rule in fields: bands, what comes above, and from when it is free. */
export function RuleFields({ path, rule, byCarrier = true }: RuleFieldsProps) {
  const bench = useBench();
  const acts = useActs();
  const marks = useMarks();
  const carrier = useCarrier();
  const parts = partsOf(rule);
  if (!parts) return <p className="mt-2 text-xs quiet">{say("thisRuleWrittenAsText")}</p>;
  const services = carrier.data?.services ?? [];
  const units = ["kg", "lb", "items", bench.setup.shop.currency, "km", "mi"];
  const unit = parts.unit || bench.setup.shop.weightUnit;
  const set = (next: Partial<Parts>) => void acts.set(path, textOf({ ...parts, ...next }));
  const field = (label: string, value: string, change: (text: string) => void, hint = "") => (
    <input
      key={`${label} ${value}`}
      className="inplace w-20 font-mono text-xs"
      aria-label={label}
      defaultValue={figure(value)}
      placeholder={hint}
      onFocus={() => marks.setAt(path)}
      onBlur={(event) => event.target.value !== figure(value) && change(stored(event.target.value))}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
    />
  );
  const banded = parts.bands.some((band) => band.upTo !== "");
  const rows = banded ? [...parts.bands, { upTo: "", price: "" }] : parts.bands;
  return (
    <div className="mt-3 grid gap-y-1 text-xs">
      <span className="flex items-baseline gap-2">
        <span className="w-8 quiet">{say("priced")}</span>
        <select
          className="inplace"
          aria-label={say("whatBandsAreReadAgainst")}
          value={parts.service ? CARRIER : banded ? unit : ""}
          onChange={(event) => {
            const chosen = event.target.value;
            const price = parts.bands[0]?.price ?? "";
            if (chosen === CARRIER) {
              const service = services[0]?.id ?? "parcel";
              set({ bands: [{ upTo: "", price: price || "5.00" }], above: undefined, service });
              return;
            }
            set(
              chosen
                ? { service: undefined, unit: chosen, bands: banded ? parts.bands : [{ upTo: "1", price }] }
                : { service: undefined, bands: [{ upTo: "", price }], above: undefined },
            );
          }}
        >
          <option value="">{say("onePrice")}</option>
          {units.map((each) => (
            <option key={each} value={each}>
              {say("countedBy", { each })}
            </option>
          ))}
          {byCarrier && <option value={CARRIER}>{say("whatCarrierAsks")}</option>}
        </select>
        {parts.service && services.length > 0 && (
          <select
            className="inplace"
            aria-label={say("serviceAsked")}
            value={parts.service}
            onChange={(event) => set({ service: event.target.value })}
          >
            {services.every((each) => each.id !== parts.service) && <option>{parts.service}</option>}
            {services.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
        )}
      </span>
      {parts.service && <CarrierNote service={parts.service} carrier={carrier.data} />}
      {rows.map((band, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a band is its place in the rule
        <span key={index} className="flex items-baseline gap-2">
          {(banded || index > 0) && (
            <>
              <span className="w-8 quiet">{say("bandTo")}</span>
              {field(say("bandUp", { index: index + 1 }), plain(band.upTo), (upTo) => {
                const bands = rows.map((each, at) => (at === index ? { ...each, upTo } : each));
                set({ bands, unit });
              })}
              <span className="w-10 quiet">{unit}</span>
            </>
          )}
          {field(
            banded ? say("priceBand", { index: index + 1 }) : parts.service ? say("priceOtherwise") : say("price"),
            band.price,
            (price) => {
              const bands = rows.map((each, at) => (at === index ? { ...each, price } : each));
              set({ bands: bands.filter((each) => each.price !== "" || each.upTo !== ""), unit });
            },
            index === rows.length - 1 && banded ? say("nextBand") : "",
          )}
        </span>
      ))}
      {banded && (
        <span className="flex items-baseline gap-2">
          <span className="w-8 quiet">{say("then")}</span>
          {field(say("priceEachFurtherStep"), parts.above?.price ?? "", (price) =>
            set({ above: price ? { step: parts.above?.step ?? "1", price } : undefined }),
          )}
          <span className="quiet">{say("forEachStarted", { unit: unit === "items" ? say("item") : unit })}</span>
        </span>
      )}
      <span className="flex items-baseline gap-2">
        <span className="w-8 quiet">{say("free")}</span>
        {field(say("freeFrom"), parts.free, (free) => set({ free }), say("never"))}
        <span className="quiet">{say("fromGoods")}</span>
      </span>
    </div>
  );
}
