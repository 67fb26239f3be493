import type { Setup } from "../../api/client";
import { say } from "../../shared/say";

type PriceRule = Setup["delivery"]["zones"][number]["rates"][string];
type Piece = { from: number; to: number; price: number };

/** A rule as pieces of one price each, drawn a little beyond its last band. Drawing only: no price is computed here. */
function pieces(rule: PriceRule): { unit: string; all: Piece[]; end: number; open: boolean } | null {
  const { basis } = rule;
  if (basis.kind !== "bands") return null;
  const all: Piece[] = [];
  let from = 0;
  for (const band of basis.bands) {
    all.push({ from, to: Number(band.upTo), price: Number(band.price) });
    from = Number(band.upTo);
  }
  const end = from * 1.6;
  const last = all.at(-1)?.price ?? 0;
  if (basis.then) {
    const step = Number(basis.then.step);
    for (let n = 1; from < end && n <= 40; n++) {
      all.push({ from, to: Math.min(from + step, end), price: last + n * Number(basis.then.price) });
      from += step;
    }
  }
  return { unit: basis.unit, all, end, open: !basis.then };
}

const WIDTH = 320;
const HEIGHT = 130;
const LEFT = 34;
const BOTTOM = 18;

/** What a carrier asks, in the rule's own unit. */
export interface CostLine {
  name: string;
  points: { at: number; price: number }[];
}

interface Props {
  rule: PriceRule;
  basket?: number;
  cost?: CostLine;
}

/** Where the curve of a rule ends, for those who have something to draw beside it. */
export const endOf = (rule: PriceRule): { unit: string; end: number } | null => pieces(rule);

/** The price over weight, value or quantity, with the part where nothing is offered hatched and what the carrier asks beside it. */
export function RateCurve({ rule, basket, cost }: Props) {
  const drawn = pieces(rule);
  if (!drawn) return null;
  const prices = [...drawn.all.map((piece) => piece.price), ...(cost?.points ?? []).map((point) => point.price)];
  const top = Math.max(...prices) * 1.15 || 1;
  const floor = Math.min(...prices) * 0.6;
  const x = (value: number) => LEFT + (value / drawn.end) * (WIDTH - LEFT - 4);
  const y = (price: number) => HEIGHT - BOTTOM - ((price - floor) / (top - floor)) * (HEIGHT - BOTTOM - 8);
  const line = drawn.all
    .map(
      (piece, index) =>
        `${index === 0 ? "M" : "L"}${x(piece.from)} ${y(piece.price)} L${x(piece.to)} ${y(piece.price)}`,
    )
    .join(" ");
  const drops = drawn.all.slice(1).filter((piece, index) => piece.price < (drawn.all[index]?.price ?? 0));
  const under = basket !== undefined && drawn.all.find((piece) => basket > piece.from && basket <= piece.to);
  const last = drawn.all.filter((piece) => piece.to < drawn.end).at(-1)?.to ?? 0;
  const bands = rule.basis.kind === "bands" ? rule.basis.bands : [];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-sm"
      role="img"
      aria-label={say("priceOver", { unit: drawn.unit, cost: cost ? say("besideWhatCosts", { name: cost.name }) : "" })}
    >
      {bands.map((band) => (
        <g key={band.upTo}>
          <line
            x1={LEFT}
            x2={WIDTH}
            y1={y(Number(band.price))}
            y2={y(Number(band.price))}
            stroke="var(--color-base-300)"
          />
          <text
            x={LEFT - 4}
            y={y(Number(band.price)) + 3}
            textAnchor="end"
            fontSize="9"
            className="font-mono"
            fill="var(--color-neutral)"
          >
            {band.price}
          </text>
          <text
            x={x(Number(band.upTo))}
            y={HEIGHT - 5}
            textAnchor="middle"
            fontSize="9"
            className="font-mono"
            fill="var(--color-neutral)"
          >
            {band.upTo}
          </text>
        </g>
      ))}
      <text x={WIDTH - 2} y={HEIGHT - 5} textAnchor="end" fontSize="9" fill="var(--color-neutral)">
        {drawn.unit}
      </text>
      {drawn.open && (
        <g>
          <rect
            x={x(last)}
            y={6}
            width={WIDTH - x(last)}
            height={HEIGHT - BOTTOM - 6}
            fill="var(--color-error)"
            opacity="0.08"
          />
          <text x={(x(last) + WIDTH) / 2} y={HEIGHT / 2} textAnchor="middle" fontSize="10" fill="var(--color-error)">
            {say("notOffered")}
          </text>
        </g>
      )}
      <path d={line} fill="none" stroke="var(--color-base-content)" strokeWidth="2" />
      {cost && cost.points.length > 1 && (
        <g>
          <path
            d={cost.points
              .map((point, index) => `${index === 0 ? "M" : "L"}${x(point.at)} ${y(point.price)}`)
              .join(" ")}
            fill="none"
            stroke="var(--color-neutral)"
            strokeWidth="1.5"
            strokeDasharray="4 3"
          />
          <text
            x={x(cost.points[0]?.at ?? 0)}
            y={y(cost.points[0]?.price ?? 0) + 11}
            fontSize="9"
            fill="var(--color-neutral)"
          >
            {cost.name}
          </text>
        </g>
      )}
      {drops.map((piece) => (
        <g key={piece.from}>
          <line
            x1={x(piece.from)}
            x2={x(piece.from)}
            y1={8}
            y2={HEIGHT - BOTTOM}
            stroke="var(--color-error)"
            strokeDasharray="3 2"
          />
          <text x={x(piece.from) + 3} y={14} fontSize="9" fill="var(--color-error)">
            {say("falls")}
          </text>
        </g>
      ))}
      {under && basket !== undefined && (
        <g>
          <circle cx={x(basket)} cy={y(under.price)} r="4" fill="var(--color-accent)" />
          <text x={x(basket)} y={y(under.price) - 7} textAnchor="middle" fontSize="9" fill="var(--color-accent)">
            {say("theTicket")}
          </text>
        </g>
      )}
    </svg>
  );
}
