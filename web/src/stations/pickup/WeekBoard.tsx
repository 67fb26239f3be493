import { type Span, week } from "./hours";

const WIDTH = 360;
const ROW = 16;
const LEFT = 34;
const FIRST = 6 * 60;
const LAST = 22 * 60;

/** The week with its open hours drawn. */
export function WeekBoard({ spans, label }: { spans: Span[]; label: string }) {
  const x = (minute: number) =>
    LEFT + ((Math.min(Math.max(minute, FIRST), LAST) - FIRST) / (LAST - FIRST)) * (WIDTH - LEFT);
  const rows = week(spans);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${rows.length * ROW + 14}`} className="w-full max-w-sm" role="img" aria-label={label}>
      {[8, 12, 16, 20].map((hour) => (
        <g key={hour}>
          <line x1={x(hour * 60)} x2={x(hour * 60)} y1={0} y2={rows.length * ROW} stroke="var(--color-base-300)" />
          <text
            x={x(hour * 60)}
            y={rows.length * ROW + 11}
            fontSize="9"
            textAnchor="middle"
            fill="var(--color-neutral)"
          >
            {hour}
          </text>
        </g>
      ))}
      {rows.map(({ day, open }, row) => (
        <g key={day}>
          <text x={0} y={row * ROW + 11} fontSize="10" fill="var(--color-base-content)">
            {day.slice(0, 3)}
          </text>
          {open.map(([from, to]) => (
            <rect
              key={from}
              x={x(from)}
              y={row * ROW + 2}
              width={Math.max(2, x(to) - x(from))}
              height={ROW - 4}
              fill="var(--color-accent)"
            />
          ))}
        </g>
      ))}
    </svg>
  );
}
