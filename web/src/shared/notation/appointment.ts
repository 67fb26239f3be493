import { dayOf, readDay } from "./days";
import { hours, type Span } from "./hours";
import type { Notation } from "./notation";

/** When something takes place, on the shop's clock. */
export interface Appointment {
  starts: string;
  ends: string;
}

/** A day and hours in one text: "5 Dec 2026 10:00–13:00". Nothing where it cannot be read. */
export function readAppointment(text: string): Appointment | undefined {
  for (const gap of text.trim().matchAll(/[\s,]+/g)) {
    const day = readDay(text.trim().slice(0, gap.index));
    const spans = day && hours.read(text.trim().slice(gap.index + gap[0].length));
    if (Array.isArray(spans) && spans.length === 1) {
      const { from, to } = spans[0] as Span;
      return { starts: `${day}T${from}`, ends: `${day}T${to}` };
    }
  }
  return undefined;
}

/** A day with hours, as it is typed and read back. */
export const appointment: Notation = {
  write: (value) => {
    const when = value as Appointment | undefined;
    return when ? `${dayOf(when.starts.slice(0, 10))} ${when.starts.slice(11, 16)}–${when.ends.slice(11, 16)}` : "";
  },
  read: (text) => (text.trim() === "" ? undefined : (readAppointment(text) ?? text)),
  example: { starts: "2026-12-05T10:00", ends: "2026-12-05T13:00" },
};
