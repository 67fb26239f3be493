import type { QuoteView } from "../../api/client";
import { deskLocale, say, sayCode } from "../../shared/say";
import type { MethodSetup } from "./kinds";
import { bands, moments, routeOf } from "./route";

type Seen = QuoteView["methods"][number];

interface Props {
  method: MethodSetup;
  seen: Seen | undefined;
  /** Whether the account it goes through can be used; true where it needs none. */
  connected: boolean;
}

const percent = (share: number) => `${share * 100}%`;

/** The line of one way to pay: where its money stops, where it is there, and where the line is broken. */
export function Route({ method, seen, connected }: Props) {
  const route = routeOf(method);
  const whole = method.on && connected && seen !== undefined && !seen.hidden;
  const start = moments.ordered;
  // A line breaks where its trouble lies: at who holds the money, or halfway where a condition is not met.
  const breaks = whole || !method.on ? undefined : connected ? (start + route.end) / 2 : start + 0.03;
  const colour = whole ? "var(--color-accent)" : "var(--color-neutral)";
  const ends = route.end > 0.8;
  return (
    <div className="relative h-full min-h-16">
      <svg className="absolute inset-0 h-full w-full" role="img" aria-label={told(method, seen, connected)}>
        <line
          x1={percent(start)}
          x2={percent(route.end)}
          y1="50%"
          y2="50%"
          stroke={colour}
          strokeWidth="2"
          strokeDasharray="8 4"
          opacity={whole ? 1 : 0.5}
        />
        {route.stops.map((stop) => (
          <circle
            key={stop.what}
            cx={percent(stop.at)}
            cy="50%"
            r="7"
            fill="var(--color-base-100)"
            stroke={colour}
            strokeWidth="2"
          />
        ))}
        <circle
          cx={percent(route.end)}
          cy="50%"
          r="8"
          fill={whole ? colour : "var(--color-base-100)"}
          stroke={colour}
          strokeWidth="2"
        />
        {breaks !== undefined && (
          <svg x={percent(breaks)} y="50%" width="20" height="20" overflow="visible" aria-hidden="true">
            <rect x="-8" y="-9" width="16" height="18" fill="var(--color-base-100)" />
            <path d="M-7 -8 L-1 8 M3 -8 L9 8" stroke="var(--color-warning)" strokeWidth="2" fill="none" />
          </svg>
        )}
      </svg>
      {route.stops.map((stop) => (
        <span
          key={stop.what}
          aria-hidden="true"
          className="absolute top-[calc(50%+0.7rem)] -translate-x-1/2 text-xs whitespace-nowrap quiet"
          style={{ insetInlineStart: percent(Math.max(stop.at, 0.05)) }}
        >
          {sayCode("stop", stop.what)}
        </span>
      ))}
      {whole && (
        <span
          aria-hidden="true"
          className={`absolute top-1/2 -translate-y-1/2 leading-tight whitespace-nowrap ${ends ? "text-end" : ""}`}
          style={
            ends ? { insetInlineEnd: percent(1 - route.end + 0.03) } : { insetInlineStart: percent(route.end + 0.03) }
          }
        >
          <span className="block font-mono font-semibold">{seen?.arrives}</span>
          <span className="block text-xs quiet">
            {seen?.fee ? say("staysThere", { fee: seen.fee.value }) : sayCode("holder", route.holder)}
          </span>
        </span>
      )}
    </div>
  );
}

/** The same in a sentence, for who does not see it. */
function told(method: MethodSetup, seen: Seen | undefined, connected: boolean): string {
  if (!method.on) return say("offSentence");
  if (!connected) return say("lineBrokenAtAccount");
  if (seen?.hidden) return seen.hidden;
  return sayCode("arrives", routeOf(method).band);
}

const dayOf = new Intl.DateTimeFormat(deskLocale(), { day: "numeric", month: "short", timeZone: "UTC" });
const day = (iso: string): string => dayOf.format(new Date(`${iso}T00:00:00Z`));

/** The bands of time the lines run through, with the days of the ticket. */
export function Axis({ promise }: { promise: QuoteView["delivery"][number]["promise"] | undefined }) {
  const edges = [
    {
      band: "before",
      from: 0,
      to: bands.before,
      when: promise ? say("orderedAndLeaves", { ready: day(promise.ready) }) : say("ordered"),
    },
    {
      band: "handed",
      from: bands.before,
      to: bands.handed,
      when: promise ? dayOf.formatRange(new Date(promise.earliest), new Date(promise.latest)) : "",
    },
    { band: "later", from: bands.handed, to: bands.later, when: say("weeksAfter") },
  ];
  return (
    <div className="relative h-10 text-xs">
      {edges.map(({ band, from, to, when }) => (
        <span
          key={band}
          className="absolute inset-y-0 truncate border-s border-base-300 ps-2 font-semibold"
          style={{ insetInlineStart: percent(from), width: percent(to - from) }}
        >
          {sayCode("band", band)}
          <span className="block font-normal quiet">{when}</span>
        </span>
      ))}
    </div>
  );
}
