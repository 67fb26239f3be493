import type { Amount, Figure, QuoteView } from "../api/client";
import { deskLocale, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import type { Choices } from "./sampleOrder";
import { TicketRow } from "./TicketRow";

interface Props {
  quote: QuoteView;
  figure: (amount: Amount) => Figure;
  chosen: Choices;
  change: (part: Partial<Choices>) => void;
  live?: string;
}

type Option = QuoteView["delivery"][number];

// Made once: making a formatter takes longer than all else the ticket does at a keystroke.
const days = new Intl.DateTimeFormat(deskLocale(), {
  weekday: "short",
  day: "numeric",
  month: "short",
  timeZone: "UTC",
});

const times = new Intl.DateTimeFormat(deskLocale(), {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "numeric",
  minute: "2-digit",
  timeZone: "UTC",
});

const day = (iso: string): string => days.format(new Date(`${iso}T00:00:00Z`));

/** When it arrives, in days. */
export function promised(option: Option): string {
  const { promise } = option;
  if (!promise) return "";
  if (promise.arrival) {
    const { from, to } = promise.arrival;
    const at = (wall: string) => new Date(`${wall.slice(0, 16)}:00Z`);
    return times.formatRange(at(from), at(to));
  }
  return promise.earliest === promise.latest
    ? day(promise.latest)
    : say("daysTo", { earliest: day(promise.earliest), latest: day(promise.latest) });
}

/** How it gets to the buyer: the option chosen, the others beside it, slots, and each consignment's own. */
export function Deliveries({ quote, figure, chosen, change, live }: Props) {
  const offered = quote.delivery.filter((option) => option.price);
  const taken = offered.find((option) => option.chosen);
  const apart = quote.consignments.length > 1;
  const slots = taken ? quote.slots[taken.id] : undefined;
  return (
    <>
      {taken?.price && (
        <TicketRow
          name={taken.name}
          note={[promised(taken), taken.note].filter(Boolean).join(". ")}
          figure={figure(taken.price)}
          live={live}
        >
          <Instead
            options={offered.filter((option) => option !== taken)}
            choose={(id) => change({ delivery: id, slot: undefined })}
          />
          {slots && slots.length > 0 && (
            <label className="flex items-baseline gap-2 text-xs">
              <span className="quiet">{say("slot")}</span>
              <select
                className="inplace"
                value={chosen.slot ?? ""}
                onChange={(event) => change({ slot: event.target.value || undefined })}
              >
                <option value="">{say("any")}</option>
                {slots.map((slot) => (
                  <option key={slot.start} value={slot.start}>
                    {say("slotFromTo", {
                      slice: day(slot.start.slice(0, 10)),
                      slice2: slot.start.slice(11, 16),
                      slice3: slot.end.slice(11, 16),
                      left: slot.left !== undefined && slot.left !== null ? say("roomFor", { left: slot.left }) : "",
                    })}
                  </option>
                ))}
              </select>
            </label>
          )}
        </TicketRow>
      )}
      {!taken && offered.length > 0 && !apart && (
        <div className="py-1">
          <Instead options={offered} choose={(id) => change({ delivery: id })} word={say("byWay")} />
        </div>
      )}
      {apart &&
        quote.consignments.map((sent) => {
          const own = sent.delivery.find((option) => option.chosen);
          const others = sent.delivery.filter((option) => option.price && option !== own);
          return own?.price ? (
            <TicketRow
              key={sent.dispatch}
              name={say("fromTo", { name: own.name, name2: sent.name })}
              note={promised(own)}
              figure={figure(own.price)}
            >
              <Instead
                options={others}
                choose={(id) =>
                  change({ delivery: undefined, deliveries: { ...chosen.deliveries, [sent.dispatch]: id } })
                }
              />
            </TicketRow>
          ) : (
            <p key={sent.dispatch} className="py-0.5 text-xs quiet">
              {say("fromReadyCount", { name: sent.name, ready: day(sent.ready), count: sent.parcels.length })}
            </p>
          );
        })}
      {quote.distances.map((further) => (
        <p key={further.option} className="py-0.5 text-xs">
          <span className="figure">{further.more.value}</span>{" "}
          {say("moreFor", { name: further.name, reduced: further.reduced ? say("atItsLowerPrice") : say("free") })}
        </p>
      ))}
    </>
  );
}

function Instead({
  options,
  choose,
  word = say("instead"),
}: {
  options: Option[];
  choose: (id: string) => void;
  word?: string;
}) {
  if (options.length === 0) return null;
  return (
    <p className="text-xs quiet">
      {word}:{" "}
      {options.map((option) => (
        <TextButton
          key={option.id}
          title={promised(option)}
          className="me-3 decoration-dotted"
          onClick={() => choose(option.id)}
        >
          {option.name} {option.price?.value}
        </TextButton>
      ))}
    </p>
  );
}
