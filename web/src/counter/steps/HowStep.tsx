import type { BuyerQuote, Counter } from "../../api/client";
import { isZero, money } from "../../shared/money";
import { countryName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { useSay } from "../phrases";
import { arrives } from "../promise";
import { wanted } from "./Besides";
import { Choice } from "./Choice";
import { ParcelShops } from "./ParcelShops";
import { Phone } from "./Phone";
import type { StepProps } from "./shared";
import { Text } from "./Text";

type Option = BuyerQuote["delivery"][number];

/** What has to be given only with a way of delivery that was chosen, where nothing was to be given before. */
function besidesWay(counter: Counter, quote: BuyerQuote | undefined) {
  return {
    company: counter.asking.company !== "compulsory" && wanted(counter.asking.companyWith, quote),
    phone: counter.asking.phone !== "compulsory" && wanted(counter.asking.phoneWith, quote),
  };
}

const toShop = (counter: Counter, chosen: Option | undefined): boolean =>
  chosen !== undefined && counter.toParcelShops.includes(chosen.id);

/** Whether something is still to be said about how it should reach the buyer. */
export function howOpen({ counter, kept, quote }: Pick<StepProps, "counter" | "kept" | "quote">): boolean {
  if (!quote) return true;
  const chosen = quote.delivery.find((option) => option.chosen);
  const { company, phone } = besidesWay(counter, quote);
  return (
    (toShop(counter, chosen) && !kept.parcelShop) ||
    (company && kept.company.trim() === "") ||
    (phone && kept.phone.trim() === "") ||
    (quote.delivery.length === 0 && quote.apart.length === 0) ||
    (chosen !== undefined && (chosen.collected || chosen.slots.length > 0) && !kept.slot)
  );
}

/** How it should reach the buyer: price against days, side by side. */
export function HowStep({ next, ...step }: StepProps & { next: () => void }) {
  const say = useSay();
  return (
    <>
      <h1 ref={step.heading} tabIndex={-1} className="text-2xl outline-none">
        {say("howReach")}
      </h1>
      <How {...step} />
      <button
        type="button"
        className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-4 w-full"
        disabled={howOpen(step)}
        onClick={next}
      >
        {say("toPayment")}
      </button>
    </>
  );
}

/** To whom, and the ways to choose from. */
export function How({ counter, kept, change, quote, problems }: Omit<StepProps, "heading">) {
  const say = useSay();
  const chosen = quote?.delivery.find((option) => option.chosen);
  const { company, phone } = besidesWay(counter, quote);
  const receiver = counter.asking.gift && kept.gift ? kept.giftName : kept.name;
  return (
    <>
      <p className="mb-3">
        {say(receiver ? "to" : "toYou", {
          name: receiver,
          place: [kept.city, kept.postcode, countryName(kept.country, counter.language)].filter(Boolean).join(", "),
        })}
      </p>
      <Said problems={problems} />
      {quote && quote.delivery.length === 0 && quote.apart.length === 0 ? (
        <p role="alert" className="text-error">
          {quote.missing[0]} {say("changeBasketOrAddress")}
        </p>
      ) : (
        quote &&
        quote.delivery.length > 0 && (
          <Ways
            group="delivery"
            label={say("delivery")}
            named={quote.apart.length > 0 ? say("allTogether") : undefined}
            options={quote.delivery}
            counter={counter}
            quote={quote}
            choose={(id) => change({ delivery: id, deliveries: {}, slot: undefined, parcelShop: undefined })}
          />
        )
      )}
      {quote?.apart.map((sent) => (
        <Ways
          key={sent.dispatch}
          group={`delivery from ${sent.dispatch}`}
          label={say("fromPlace", { name: say("delivery"), place: sent.name })}
          named={say("apartFrom", { place: sent.name, things: say.list(sent.things) })}
          options={sent.delivery}
          counter={counter}
          quote={quote}
          choose={(id) =>
            change({
              delivery: undefined,
              parcelShop: undefined,
              slot: undefined,
              deliveries: { ...apartNow(quote), ...kept.deliveries, [sent.dispatch]: id },
            })
          }
        />
      ))}
      {toShop(counter, chosen) && <ParcelShops counter={counter} kept={kept} change={change} />}
      {chosen && chosen.slots.length > 0 && (
        <Times
          slots={chosen.slots}
          value={kept.slot ?? ""}
          label={chosen.collected ? say("whenCollect") : say("whenBrought")}
          language={counter.language}
          choose={(slot) => change({ slot })}
        />
      )}
      {chosen?.collected && chosen.slots.length === 0 && <p className="mt-3 text-error">{say("noTime")}</p>}
      {company && (
        <div className="mt-4">
          <Text
            label={say("company")}
            value={kept.company}
            autoComplete="organization"
            onChange={(company) => change({ company })}
          />
        </div>
      )}
      {phone && (
        <div className="mt-4">
          <Phone counter={counter} kept={kept} change={change} compulsory />
        </div>
      )}
    </>
  );
}

interface WaysProps {
  group: string;
  label: string;
  /** Shown above, where there are several groups. */
  named: string | undefined;
  options: Option[];
  counter: Counter;
  quote: BuyerQuote;
  choose: (id: string) => void;
}

/** Ways to deliver, one of which is chosen. */
function Ways({ group, label, named, options, counter, quote, choose }: WaysProps) {
  const say = useSay();
  return (
    <>
      {named && <h2 className="mt-4 mb-1 text-base">{named}</h2>}
      <fieldset className="border border-base-300 bg-base-100">
        <legend className="sr-only">{label}</legend>
        {options.map((option) => (
          <Choice
            key={option.id}
            group={group}
            chosen={option.chosen}
            choose={() => choose(option.id)}
            title={option.name}
            value={isZero(option.price) ? say("free") : money(option.price, quote.currency, counter.language)}
          >
            {[
              option.collected && say("youCollect"),
              option.promise
                ? !option.collected && arrives(option.promise, counter.language, say)
                : option.days &&
                  (option.days.from === option.days.to
                    ? say("workingDays", { days: option.days.from })
                    : say("workingDaysRange", { from: option.days.from, to: option.days.to })),
              option.sentence,
            ]
              .filter(Boolean)
              .join(". ")}
          </Choice>
        ))}
      </fieldset>
    </>
  );
}

/** What is taken of each consignment when one is chosen apart: its own choice, else the cheapest. */
function apartNow(quote: BuyerQuote): Record<string, string> {
  return Object.fromEntries(
    quote.apart.map((sent) => {
      const cheapest = [...sent.delivery].sort((a, b) => Number(a.price) - Number(b.price))[0];
      return [sent.dispatch, (sent.delivery.find((option) => option.chosen) ?? cheapest)?.id ?? ""];
    }),
  );
}

interface TimesProps {
  label: string;
  slots: { start: string; end: string }[];
  value: string;
  language: string;
  choose: (slot: string) => void;
}

/** When it is collected, on the shop's own clock; a list a phone shows as its own wheel. */
function Times({ label, slots, value, language, choose }: TimesProps) {
  const say = useSay();
  // Wall-clock times of the shop are shown as they are, whatever zone the buyer's phone is in.
  const at = (wall: string) => new Date(`${wall.slice(0, 16)}:00Z`);
  const day = new Intl.DateTimeFormat(language, { weekday: "long", day: "numeric", month: "long", timeZone: "UTC" });
  const time = new Intl.DateTimeFormat(language, { timeStyle: "short", timeZone: "UTC" });
  const days = [...new Set(slots.map((slot) => slot.start.slice(0, 10)))].map(
    (date) => [date, slots.filter((slot) => slot.start.startsWith(date))] as const,
  );
  return (
    <label className="mt-3 block">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <select className="select w-full text-base" value={value} onChange={(event) => choose(event.target.value)}>
        <option value="" disabled>
          {say("chooseTime")}
        </option>
        {days.map(([date, open]) => (
          <optgroup key={date} label={day.format(at(`${date}T00:00`))}>
            {open.map((slot) => (
              <option key={slot.start} value={slot.start}>
                {say("slot", {
                  day: day.format(at(slot.start)),
                  from: time.format(at(slot.start)),
                  to: time.format(at(slot.end)),
                })}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </label>
  );
}
