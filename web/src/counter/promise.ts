import type { Say } from "./phrases";

interface Promised {
  earliest: string;
  latest: string;
  arrival?: ArrivalTime | null | undefined;
}

interface ArrivalTime {
  from: string;
  to: string;
  atOnce: boolean;
  fromMinutes: number;
  toMinutes: number;
}

/**
 * When something is expected, as days of the shop's calendar, "Tue 1 Dec to Thu 3 Dec", or in minutes, from the order or
 * from the next opening.
 */
export function arrives(promise: Promised, language: string, say: Say): string {
  if (promise.arrival?.atOnce) {
    const { fromMinutes, toMinutes } = promise.arrival;
    return fromMinutes === toMinutes
      ? say("arrivesWithin", { minutes: toMinutes })
      : say("arrivesInMinutes", { from: fromMinutes, to: toMinutes });
  }
  if (promise.arrival) {
    return say("arrivesAt", { time: hoursOf({ starts: promise.arrival.from, ends: promise.arrival.to }, language) });
  }
  const format = new Intl.DateTimeFormat(language, {
    weekday: "short",
    day: "numeric",
    month: "short",
    timeZone: "UTC",
  });
  const day = (date: string) => new Date(`${date}T00:00:00Z`);
  return promise.earliest === promise.latest
    ? say("arrivesOn", { day: format.format(day(promise.latest)) })
    : say("arrives", { from: format.format(day(promise.earliest)), to: format.format(day(promise.latest)) });
}

/**
 * When something takes place, as the shop's clock has it, whatever zone the reader's is in: "Saturday, 5 December, 10:00–13:00". The
 * date is left out beside a name that has it.
 */
export function hoursOf({ starts, ends }: { starts: string; ends: string }, language: string, name = ""): string {
  const wall = (local: string) => new Date(`${local.slice(0, 16)}:00Z`);
  const said = new RegExp(`(^|\\D)0?${wall(starts).getUTCDate()}(\\D|$)`).test(name);
  const format = new Intl.DateTimeFormat(language, {
    weekday: "long",
    ...(said ? {} : ({ day: "numeric", month: "long" } as const)),
    hour: "numeric",
    minute: "2-digit",
    timeZone: "UTC",
  });
  return format.formatRange(wall(starts), wall(ends));
}

/** A day of the shop's calendar, as "12 December 2026". */
export const dayOf = (date: string, language: string): string =>
  new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" }).format(new Date(`${date}T00:00:00Z`));
