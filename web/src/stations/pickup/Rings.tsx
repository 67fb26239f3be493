import type { Setup } from "../../api/client";
import { usePriced } from "../../desk/bench";
import { plain } from "../../shared/money";
import { say } from "../../shared/say";

type Local = NonNullable<Setup["pickup"]["local"]>;

const SIZE = 220;
const MIDDLE = SIZE / 2;
const WIDEST = MIDDLE - 26;

/** How far the shop brings things round, to scale: a ring for each price, the edge, and the buyer of the ticket at their distance. */
export function Rings({ local }: { local: Local }) {
  const priced = usePriced();
  const radius = Number(local.radius);
  if (!(radius > 0)) return null;
  const { basis } = local.price;
  const bands = basis.kind === "bands" && basis.unit === local.unit ? basis.bands : [];
  const rings = bands
    .map((band) => ({ upTo: Number(band.upTo), says: `${plain(band.upTo)} ${local.unit}: ${band.price}` }))
    .filter((ring) => ring.upTo < radius);
  const scaled = (distance: number) => (distance / radius) * WIDEST;
  const away = Number(priced?.consignments[0]?.distance?.value ?? Number.NaN);
  const known = Number.isFinite(away);
  const within = known && away <= radius;
  const last = bands.find((band) => Number(band.upTo) >= radius);
  const edge = `${plain(local.radius)} ${local.unit}${last ? `: ${last.price}` : ""}`;
  return (
    <figure className="mt-3 max-w-xs">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-full"
        role="img"
        aria-label={say("broughtRoundWithin", { radius: plain(local.radius), unit: local.unit })}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={WIDEST} fill="var(--color-secondary)" stroke="var(--color-base-content)" />
        {rings.map((ring) => (
          <circle
            key={ring.upTo}
            cx={MIDDLE}
            cy={MIDDLE}
            r={scaled(ring.upTo)}
            fill="none"
            stroke="var(--color-base-content)"
            strokeDasharray="3 3"
          />
        ))}
        <circle cx={MIDDLE} cy={MIDDLE} r="4" fill="var(--color-base-content)" />
        {known && (
          <circle
            cx={MIDDLE}
            cy={MIDDLE - Math.min(scaled(away), MIDDLE - 8)}
            r="5"
            fill={within ? "var(--color-accent)" : "none"}
            stroke="var(--color-accent)"
            strokeWidth="2"
          />
        )}
        {[...rings.map((ring) => ({ at: scaled(ring.upTo), says: ring.says })), { at: WIDEST, says: edge }].map(
          (mark) => (
            <text
              key={mark.says}
              x={MIDDLE}
              y={MIDDLE + mark.at + 11}
              textAnchor="middle"
              className="fill-current text-[0.6rem]"
            >
              {mark.says}
            </text>
          ),
        )}
      </svg>
      <figcaption className="text-xs quiet">
        {known
          ? say("ticketsBuyerAway", {
              toFixed: away.toFixed(1),
              unit: local.unit,
              within: within ? say("within") : say("tooFar"),
            })
          : say("shopMiddleScaleWhereTickets")}
      </figcaption>
    </figure>
  );
}
