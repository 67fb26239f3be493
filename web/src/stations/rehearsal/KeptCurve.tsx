import { scaleLinear } from "d3-scale";
import { curveStepAfter, line } from "d3-shape";
import { money } from "../../shared/money";
import { deskLocale, say } from "../../shared/say";

const WIDTH = 560;
const HEIGHT = 190;
const LEFT = 74;
const BOTTOM = 22;

interface Props {
  points: { at: string; kept: string }[];
  currency: string;
  /** What has to be kept. */
  enough: string;
  found: string | undefined;
  written: (at: number) => string;
  label: string;
}

/** What is kept, over a rise of prices or over the amount delivery is free from; what is kept today is the line. */
export function KeptCurve({ points, currency, enough, found, written, label }: Props) {
  if (points.length < 2) return null;
  const known = points.map(({ at, kept }) => [Number(at), Number(kept)] as [number, number]);
  const kept = [...known.map(([, amount]) => amount), Number(enough)];
  const x = scaleLinear([0, known[known.length - 1]?.[0] ?? 1], [LEFT, WIDTH - 6]);
  const y = scaleLinear([Math.min(...kept), Math.max(...kept)], [HEIGHT - BOTTOM, 8]).nice(4);
  const drawn = line<[number, number]>()
    .x(([at]) => x(at))
    .y(([, amount]) => y(amount))
    .curve(curveStepAfter)(known);
  return (
    <figure className="my-2 max-w-2xl">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={label}>
        {y.ticks(4).map((amount) => (
          <g key={amount}>
            <line x1={LEFT} x2={WIDTH - 6} y1={y(amount)} y2={y(amount)} stroke="var(--color-base-300)" />
            <text x={LEFT - 6} y={y(amount) + 3} textAnchor="end" fontSize="10" fill="var(--color-neutral)">
              {money(String(amount), currency, deskLocale())}
            </text>
          </g>
        ))}
        {x.ticks(6).map((at) => (
          <text key={at} x={x(at)} y={HEIGHT - 6} textAnchor="middle" fontSize="10" fill="var(--color-neutral)">
            {written(at)}
          </text>
        ))}
        <line
          x1={LEFT}
          x2={WIDTH - 6}
          y1={y(Number(enough))}
          y2={y(Number(enough))}
          stroke="var(--color-base-content)"
          strokeDasharray="4 3"
        />
        <path d={drawn ?? ""} fill="none" stroke="var(--color-accent)" strokeWidth="2" />
        {found !== undefined && (
          <circle
            cx={x(Number(found))}
            cy={y(known.find(([at]) => at === Number(found))?.[1] ?? 0)}
            r="4.5"
            fill="var(--color-base-content)"
          />
        )}
      </svg>
      <figcaption className="text-xs quiet">{label}</figcaption>
      <details className="text-xs">
        <summary className="cursor-pointer quiet">{say("asNumbers")}</summary>
        <ul className="max-h-48 columns-3 overflow-auto">
          {points.map(({ at, kept: amount }) => (
            <li key={at} className="figure">
              {written(Number(at))}: {money(Number(amount).toFixed(2), currency, deskLocale())}
            </li>
          ))}
        </ul>
      </details>
    </figure>
  );
}
