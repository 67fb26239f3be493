import { useId, useState } from "react";
import type { Destination, Setup } from "../api/client";
import { useBench } from "../desk/bench";
import { useNames } from "../shared/NamedField";
import { begun as begunIn, named } from "../shared/named";
import { usePlaceNames, useRegions } from "../shared/PlacesField";
import { countryName, inWords } from "../shared/places";
import { deskLocale, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { timeZoneName } from "../shared/timeZones";
import { BasketEditor } from "./BasketEditor";
import { buyers, type Choices } from "./sampleOrder";

interface Props {
  baskets: Setup["rehearsal"]["baskets"];
  place: number;
  choose: (id: string | undefined) => void;
  to: Destination;
  changed: Choices;
  change: (part: Partial<Choices>) => void;
  /** Whether something differs from the sample order. */
  touched: boolean;
  reset: () => void;
  /** Keeps what differs in the sample order. */
  keep: () => void;
  close: () => void;
}

/** What of the head is being changed. */
type Part = "content" | "place" | "buyer" | "when" | "codes";

/**
 * What the ticket is asked: basket, place, buyer, time, currency and codes. Folded it is the basket and one line, whose
 * parts open where they are changed.
 */
export function Asking({ baskets, place, choose, to, changed, change, touched, reset, keep, close }: Props) {
  const { shop, goods } = useBench().setup;
  const currencies = [shop.currency, ...shop.currencies.map((accepted) => accepted.code)];
  const foreign = changed.currency !== "" && changed.currency !== shop.currency;
  const [part, setPart] = useState<Part>();
  const { nameOf: placeName } = usePlaceNames();
  const buyer = buyers.find((each) => each.id === changed.buyer);
  const groupName = goods.buyerGroups.find((each) => each.id === changed.group)?.name;
  if (!part) {
    const parts: [Part, string][] = [
      ["place", inWords(to, placeName)],
      ["buyer", [buyer?.name ?? changed.buyer, groupName].filter(Boolean).join(", ")],
      ["when", changed.when ? changed.when.replace("T", " ") : say("now")],
      ["codes", [changed.codes || say("noCode"), foreign && changed.currency].filter(Boolean).join(", ")],
    ];
    return (
      <div>
        <BasketChoice baskets={baskets} place={place} choose={choose} close={close} />
        <p className="mt-1 text-xs">
          <span className="quiet">{say("ticketTo")} </span>
          {parts.map(([each, text], index) => (
            <span key={each}>
              {index > 0 && <span className="quiet"> · </span>}
              <TextButton onClick={() => setPart(each)}>{text}</TextButton>
            </span>
          ))}
          <span className="quiet"> · </span>
          <TextButton onClick={() => setPart("content")}>{say("whatIsInIt")}</TextButton>
        </p>
        {touched && <Touched keep={keep} reset={reset} />}
      </div>
    );
  }
  return (
    <div className="grid grid-cols-[4rem_1fr_auto] items-center gap-y-1">
      <div className="col-span-3">
        <BasketChoice baskets={baskets} place={place} choose={choose} close={close} />
      </div>
      {baskets[place] && <BasketEditor basket={baskets[place]} choose={choose} open={part === "content"} />}
      <span className="quiet">{say("ticketTo")}</span>
      <PlaceChoice
        to={to}
        choose={(next) => {
          change({ to: next });
          setPart(undefined);
        }}
        changed={changed.to !== undefined}
        begun={part === "place"}
      />
      <label htmlFor="ticket-buyer" className="quiet">
        {say("ticketBuyer")}
      </label>
      <select
        id="ticket-buyer"
        className="inplace col-span-2"
        autoFocus={part === "buyer"}
        value={changed.buyer}
        onChange={(event) => change({ buyer: event.target.value as Choices["buyer"] })}
      >
        {buyers.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      {goods.buyerGroups.length > 0 && (
        <>
          <label htmlFor="ticket-group" className="quiet">
            {say("ofGroup")}
          </label>
          <select
            id="ticket-group"
            className="inplace col-span-2"
            value={changed.group}
            onChange={(event) => change({ group: event.target.value })}
          >
            <option value="">{say("ofNoGroup")}</option>
            {goods.buyerGroups.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
        </>
      )}
      <When value={changed.when} set={(when) => change({ when })} timeZone={shop.timeZone} begun={part === "when"} />
      <label htmlFor="ticket-codes" className="quiet">
        {say("codes")}
      </label>
      <span className="col-span-2 flex items-baseline gap-2">
        <input
          id="ticket-codes"
          className="inplace min-w-0 flex-1"
          autoFocus={part === "codes"}
          placeholder={say("none")}
          value={changed.codes}
          onChange={(event) => change({ codes: event.target.value })}
        />
        {currencies.length > 1 && (
          <>
            <label htmlFor="ticket-currency" className="quiet">
              {say("unitIn")}
            </label>
            <select
              id="ticket-currency"
              className="inplace"
              value={changed.currency || shop.currency}
              onChange={(event) => change({ currency: event.target.value })}
            >
              {currencies.map((code) => (
                <option key={code}>{code}</option>
              ))}
            </select>
          </>
        )}
      </span>
      {foreign && (
        <label className="col-span-3 flex items-center justify-end gap-1 quiet">
          {say("oneUnitIs", { currency: shop.currency })}
          <input
            className="inplace w-20 font-mono"
            placeholder={say("ofTheDay")}
            value={changed.rate}
            onChange={(event) => change({ rate: event.target.value })}
          />
          {changed.currency}
        </label>
      )}
      <p className="col-span-3 flex justify-end gap-3 text-xs">
        <TextButton onClick={() => setPart(undefined)}>{say("fold")}</TextButton>
      </p>
      {touched && (
        <div className="col-span-3">
          <Touched keep={keep} reset={reset} />
        </div>
      )}
    </div>
  );
}

type BasketProps = Pick<Props, "baskets" | "place" | "choose" | "close">;

/** The sample orders, one of them on the ticket. */
function BasketChoice({ baskets, place, choose, close }: BasketProps) {
  return (
    <div className="flex items-baseline gap-2">
      <label htmlFor="ticket-basket" className="quiet">
        {say("basketHead")}
      </label>
      <select
        id="ticket-basket"
        className="inplace min-w-0 flex-1 font-semibold"
        value={place}
        onChange={(event) => choose(baskets[Number(event.target.value)]?.id)}
      >
        {baskets.map((each, index) => (
          <option key={each.id} value={index}>
            {each.name}
          </option>
        ))}
      </select>
      <button type="button" className="btn btn-ghost btn-xs lg:hidden" onClick={close}>
        {say("close")}
      </button>
    </div>
  );
}

/** What to do with what the ticket asks besides its sample order. */
function Touched({ keep, reset }: Pick<Props, "keep" | "reset">) {
  return (
    <p className="flex justify-end gap-3 text-xs">
      <TextButton onClick={keep}>{say("keepInBasket")}</TextButton>
      <TextButton onClick={reset}>{say("basketAsWas")}</TextButton>
    </p>
  );
}

/** When the order is placed: now, until a time on the shop's clock is set. */
function When({
  value,
  set,
  timeZone,
  begun,
}: {
  value: string;
  set: (when: string) => void;
  timeZone: string;
  begun: boolean;
}) {
  const [open, setOpen] = useState(begun);
  return (
    <>
      <span className="quiet">{say("ticketWhen")}</span>
      {open || value ? (
        <input
          type="datetime-local"
          aria-label={say("whenOnShopsClock", { timeZone: timeZoneName(timeZone, deskLocale()) })}
          className="inplace col-span-2"
          value={value}
          autoFocus={open}
          onChange={(event) => set(event.target.value)}
          onBlur={() => setOpen(false)}
        />
      ) : (
        <button type="button" className="inplace col-span-2 text-start" onClick={() => setOpen(true)}>
          {say("now")}
        </button>
      )}
    </>
  );
}

/** Where the order goes: shown in words, typed as country and postcode. */
function PlaceChoice({
  to,
  choose,
  changed,
  begun,
}: {
  to: Destination;
  choose: (to: Destination | undefined) => void;
  changed: boolean;
  /** Whether it is being typed from the first. */
  begun: boolean;
}) {
  const [open, setOpen] = useState(begun);
  const regions = useRegions();
  const countries = useNames("country", "");
  const list = useId();
  const [country, setCountry] = useState(to.country);
  const own = regions.filter((each) => each.id.startsWith(`${country}-`));
  const nameOf = (region: string) => own.find((each) => each.id === region)?.name ?? region;
  if (!open) {
    return (
      <button type="button" className="inplace col-span-2 text-start font-semibold" onClick={() => setOpen(true)}>
        {inWords(to, nameOf)}
      </button>
    );
  }
  return (
    <form
      className="col-span-2 flex flex-wrap gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const postcode = String(form.get("postcode")).trim();
        const typed = String(form.get("region")).trim();
        const region = begunIn(own, typed)?.id ?? typed.toUpperCase();
        choose({
          country: String(form.get("country")).trim(),
          ...(postcode ? { postcode } : {}),
          ...(region ? { region } : {}),
        });
        setOpen(false);
      }}
    >
      <input
        name="country"
        aria-label={say("country")}
        defaultValue={countryName(to.country)}
        maxLength={60}
        className="inplace min-w-0 flex-1"
        autoFocus
        onChange={(event) => setCountry(named(countries, event.target.value)?.id ?? "")}
      />
      <input
        name="region"
        key={own.length === 0 ? "none" : "some"}
        aria-label={say("region")}
        list={list}
        defaultValue={nameOf(to.region ?? "")}
        placeholder={say("ticketRegion")}
        className="inplace w-24"
      />
      <datalist id={list}>
        {own.map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
      <input
        name="postcode"
        aria-label={say("postcode")}
        defaultValue={to.postcode ?? ""}
        placeholder={say("ticketPostcode")}
        className="inplace w-20"
      />
      <button type="submit" className="btn btn-ghost btn-xs">
        {say("set")}
      </button>
      {changed && (
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => choose(undefined)}>
          {say("basketsOwn")}
        </button>
      )}
    </form>
  );
}
