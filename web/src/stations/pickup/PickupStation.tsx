import type { Setup } from "../../api/client";
import { useActs, useBench, usePriced } from "../../desk/bench";
import { PracticeOffer } from "../../desk/PracticeOffer";
import { Field } from "../../shared/Field";
import { NamedField } from "../../shared/NamedField";
import { NotationField } from "../../shared/NotationField";
import { hours } from "../../shared/notation/hours";
import { lines, minutes, whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { deskNotation, fromDesk, toDesk } from "../../shared/notation/rates";
import { PointField, useAddressPoint } from "../../shared/PointField";
import { idFrom, setupPath, under } from "../../shared/paths";
import { RegionField } from "../../shared/RegionField";
import { StationHead } from "../../shared/StationHead";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { RuleFields } from "../delivery/RuleFields";
import { Coming } from "./Coming";
import { Rings } from "./Rings";
import { Ways } from "./Ways";
import { WeekBoard } from "./WeekBoard";

/** So many places are open at once; more are a line each. */
const FEW = 2;

type Spot = Setup["pickup"]["places"][number];

/** Where goods are collected, and what the shop brings round itself. */
export function PickupStation() {
  const bench = useBench();
  const acts = useActs();
  const { pickup, shop } = bench.setup;
  const { region, postcode, country } = shop.address;
  const addPlace = () => {
    const id = idFrom(
      "place",
      pickup.places.map((each) => each.id),
    );
    const at = { country, ...(region ? { region } : {}), ...(postcode ? { postcode } : {}) };
    const now = { id, name: say("ourPlace"), lines: shop.address.lines, at, hours: [], daysAhead: 14, holidays: true };
    void acts.set(setupPath("pickup", "places", id), now);
  };
  const { find, reason } = useAddressPoint();
  const bring = async () => {
    const now = {
      name: say("broughtRoundByUs"),
      radius: "5",
      unit: shop.lengthUnit === "in" || shop.lengthUnit === "ft" ? "mi" : "km",
      price: { basis: { kind: "fixed", price: "3.00", perParcel: false } },
    };
    // Distances are measured from the shop, so it is looked for at once.
    if ((await acts.set(setupPath("pickup", "local"), now)) && !shop.point) await find();
  };
  return (
    <>
      <StationHead title={say("pickup")}>
        <TextButton onClick={addPlace}>{say("addPlaceCollectAt")}</TextButton>
        {!pickup.local && <TextButton onClick={() => void bring()}>{say("bringOrdersRoundOurselves")}</TextButton>}
      </StationHead>
      <Ways />
      {reason && !shop.point && (
        <div role="status" className="mb-3">
          <p className="text-warning">{reason}</p>
          <PracticeOffer />
        </div>
      )}
      {pickup.places.length === 0 && !pickup.local && (
        <p className="max-w-xl py-6 quiet">{say("nothingCollectedNothingBroughtRound")}</p>
      )}
      {pickup.places.map((spot) => (
        <Place key={spot.id} spot={spot} few={pickup.places.length <= FEW} />
      ))}
      {pickup.local && <Local />}
      <Coming />
    </>
  );
}

function Place({ spot, few }: { spot: Spot; few: boolean }) {
  const acts = useActs();
  const at = setupPath("pickup", "places", spot.id);
  return (
    <details open={few} className="border-t border-base-content py-3">
      <summary className="cursor-pointer">
        <span className="font-head font-semibold">{spot.name}</span>{" "}
        <span className="text-xs quiet">{hours.write(spot.hours) || say("noHoursYet")}</span>
      </summary>
      <section aria-label={spot.name} className="mt-2 grid gap-x-8 xl:grid-cols-[3fr_2fr]">
        <div className="grid grid-cols-[1.3fr_1fr_1fr] content-start gap-x-6 gap-y-2">
          <Field path={under(at)("name")} label={say("place")} />
          <Field path={under(at)("lines")} label={say("street")} className="col-span-2" {...lines} />
          <NamedField path={under(at)("at", "country")} label={say("country")} kind="country" />
          <RegionField path={under(at)("at", "region")} country={spot.at.country} />
          <Field path={under(at)("at", "postcode")} label={say("postcode")} placeholder={say("none")} optional />
          <NotationField path={under(at)("hours")} label={say("hours")} className="col-span-3" notation={hours} />
          <Field
            path={under(at)("slotMinutes")}
            label={say("slotTakesMinutes")}
            placeholder={say("wholeSpan")}
            {...whole}
          />
          <Field path={under(at)("capacity")} label={say("ordersSlot")} placeholder={say("any")} {...whole} />
          <Field path={under(at)("noticeHours")} label={say("noticeHours")} placeholder="2" {...whole} />
          <Field path={under(at)("daysAhead")} label={say("daysAhead")} {...whole} />
          <Field path={under(at)("holidays")} label={say("closedOnPublicHolidays")} choices={yesNoChoices} {...yesNo} />
          <Field
            path={under(at)("price")}
            label={say("costs")}
            placeholder={say("nothing")}
            note={say("belowZeroTakesOff")}
            optional
          />
          <Field path={under(at)("contact")} label={say("contact")} />
          <Field path={under(at)("bring")} label={say("whatBringOrKnow")} className="col-span-2" />
          <button
            type="button"
            className="btn btn-ghost btn-sm col-span-3 justify-self-start"
            onClick={() => void acts.set(at, undefined)}
          >
            {say("removeNamed", { name: spot.name })}
          </button>
        </div>
        <div>
          <WeekBoard
            spans={spot.hours}
            label={say("hoursOf", { name: spot.name })}
            change={(spans) => void acts.set(under(at)("hours"), spans)}
          />
          <Slots option={`pickup-${spot.id}`} />
        </div>
      </section>
    </details>
  );
}

const times = new Intl.DateTimeFormat(deskLocale(), {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
  timeZone: "UTC",
});

const when = (iso: string): string => times.format(new Date(`${iso.slice(0, 16)}:00Z`));

/** The next slots as the buyer of the ticket would see them, or why there are none. */
function Slots({ option }: { option: string }) {
  const priced = usePriced();
  const slots = priced?.slots[option] ?? [];
  const refused = priced?.delivery.find((each) => each.id === option)?.reason;
  if (!priced) return null;
  return (
    <div className="mt-3 text-xs">
      <h2 className="text-sm">{say("nextSlotsForTicket")}</h2>
      {slots.length === 0 ? (
        <p className="quiet">{refused ?? say("noneNothingThisBasketHas")}</p>
      ) : (
        <ul className="mt-1 columns-2 font-mono">
          {slots.slice(0, 8).map((slot) => (
            <li key={slot.start}>{when(slot.start)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Local() {
  const bench = useBench();
  const acts = useActs();
  const local = bench.setup.pickup.local;
  const notation = deskNotation();
  const text = toDesk(bench.draft.texts[setupPath("pickup", "local", "price")]?.text ?? "", notation);
  if (!local) return null;
  return (
    <section
      aria-label={say("broughtRoundByShop")}
      className="grid gap-x-8 border-t border-base-content py-4 xl:grid-cols-[3fr_2fr]"
    >
      <div className="grid grid-cols-[1.3fr_1fr_1fr] content-start gap-x-6 gap-y-2">
        <Field path={setupPath("pickup", "local", "name")} label={say("broughtRoundAs")} />
        <Field
          path={setupPath("pickup", "local", "sentence")}
          label={say("whatBuyerReadsUnder")}
          className="col-span-2"
        />
        <Field path={setupPath("pickup", "local", "radius")} label={say("asFarAs")} />
        <Field
          path={setupPath("pickup", "local", "unit")}
          label={say("unitIn")}
          choices={[
            { id: "km", name: say("kilometres") },
            { id: "mi", name: say("miles") },
          ]}
        />
        <Field
          path={setupPath("pickup", "local", "smallest")}
          label={say("smallestOrder")}
          placeholder={say("any")}
          optional
        />
        <div className="col-span-3">
          <Field
            path={setupPath("pickup", "local", "price")}
            label={say("costs")}
            note={say("notationExample", { text: say("localPriceExample") })}
            write={() => text}
            read={(typed) => fromDesk(typed, notation)}
          />
          <p className="mt-0.5 text-xs quiet">
            {bench.draft.texts[setupPath("pickup", "local", "price")]?.words.join(" ")}
          </p>
          <details>
            <summary className="cursor-pointer text-xs underline">{say("inFields")}</summary>
            <RuleFields
              key={bench.draft.version}
              path={setupPath("pickup", "local", "price")}
              rule={local.price}
              byCarrier={false}
            />
          </details>
        </div>
        <NotationField
          path={setupPath("pickup", "local", "windows")}
          label={say("broughtOn")}
          className="col-span-2"
          placeholder={say("anyTime")}
          notation={hours}
        />
        <Field
          path={setupPath("pickup", "local", "capacity")}
          label={say("ordersWindow")}
          placeholder={say("any")}
          {...whole}
        />
        <NotationField
          path={setupPath("pickup", "local", "minutes")}
          label={say("promisedMinutes")}
          className="col-span-2"
          notation={minutes}
          {...(local.minutes ? { note: say("promisedMinutesNote") } : {})}
        />
        {!local.from && (
          <div data-path={setupPath("pickup", "local", "from")} tabIndex={-1} className="col-span-3">
            <PointField />
          </div>
        )}
        <button
          type="button"
          className="btn btn-ghost btn-sm col-span-3 justify-self-start"
          onClick={() => void acts.set(setupPath("pickup", "local"), undefined)}
        >
          {say("noLongerBringRound")}
        </button>
      </div>
      <div>
        <WeekBoard
          spans={local.windows}
          label={say("whenBroughtRound")}
          change={(spans) => void acts.set(setupPath("pickup", "local", "windows"), spans)}
        />
        <Rings local={local} />
        <Slots option="local" />
      </div>
    </section>
  );
}
