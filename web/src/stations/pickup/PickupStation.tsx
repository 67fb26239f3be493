import type { Setup } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { lines, whole, yesNo, yesNoChoices } from "../../shared/notations";
import { idFrom } from "../../shared/paths";
import { countryText } from "../../shared/places";
import { StationHead } from "../../shared/StationHead";
import { Coming } from "./Coming";
import { hours } from "./hours";
import { Rings } from "./Rings";
import { Ways } from "./Ways";
import { WeekBoard } from "./WeekBoard";

type Spot = Setup["pickup"]["places"][number];

/** Where goods are collected, and what the shop brings round itself. */
export function PickupStation() {
  const bench = useBench();
  const { pickup, shop } = bench.setup;
  const { region, postcode, country } = shop.address;
  const addPlace = () => {
    const id = idFrom(
      "place",
      pickup.places.map((each) => each.id),
    );
    const at = { country, ...(region ? { region } : {}), ...(postcode ? { postcode } : {}) };
    const now = { id, name: "Our place", lines: shop.address.lines, at, hours: [], daysAhead: 14, holidays: true };
    void bench.set(`pickup/places/${id}`, now);
  };
  const bring = () =>
    void bench.set("pickup/local", {
      name: "Brought round by us",
      radius: "5",
      unit: "km",
      price: { basis: { kind: "fixed", price: "3.00", perParcel: false } },
    });
  return (
    <>
      <StationHead title="Pickup">
        <button type="button" className="cursor-pointer underline" onClick={addPlace}>
          Add a place to collect at
        </button>
        {!pickup.local && (
          <button type="button" className="cursor-pointer underline" onClick={bring}>
            Bring orders round ourselves
          </button>
        )}
      </StationHead>
      <Ways />
      {pickup.places.length === 0 && !pickup.local && (
        <p className="max-w-xl py-6 quiet">
          Nothing is collected and nothing is brought round. A place needs an address and hours; buyers then choose a
          slot.
        </p>
      )}
      {pickup.places.map((spot) => (
        <Place key={spot.id} spot={spot} />
      ))}
      {pickup.local && <Local />}
      <Coming />
    </>
  );
}

function Place({ spot }: { spot: Spot }) {
  const bench = useBench();
  const at = `pickup/places/${spot.id}`;
  return (
    <section aria-label={spot.name} className="grid gap-x-8 border-t border-base-content py-4 xl:grid-cols-[3fr_2fr]">
      <div className="grid grid-cols-[1.3fr_1fr_1fr] content-start gap-x-6 gap-y-2">
        <Field path={`${at}/name`} label="Place" />
        <Field path={`${at}/lines`} label="Street" className="col-span-2" {...lines} />
        <Field path={`${at}/at/country`} label="Country" write={countryText} />
        <Field path={`${at}/at/region`} label="Region" placeholder="none" optional note="Tax and holidays go by it." />
        <Field path={`${at}/at/postcode`} label="Postcode" placeholder="none" optional />
        <Field
          path={`${at}/hours`}
          label="Hours"
          className="col-span-3"
          placeholder="mon-fri 10:00-17:00; sat 10:00-13:00"
          {...hours}
        />
        <Field path={`${at}/slotMinutes`} label="A slot takes, minutes" placeholder="a whole span" {...whole} />
        <Field path={`${at}/capacity`} label="Orders in a slot" placeholder="any" {...whole} />
        <Field path={`${at}/noticeHours`} label="Notice, hours" placeholder="2" {...whole} />
        <Field path={`${at}/daysAhead`} label="Days ahead" {...whole} />
        <Field path={`${at}/holidays`} label="Closed on public holidays" choices={yesNoChoices} {...yesNo} />
        <Field path={`${at}/price`} label="Costs" placeholder="nothing" note="Below zero takes off." optional />
        <Field path={`${at}/contact`} label="Contact" />
        <Field path={`${at}/bring`} label="What to bring or know" className="col-span-2" />
        <button
          type="button"
          className="btn btn-ghost btn-sm col-span-3 justify-self-start"
          onClick={() => void bench.set(at, undefined)}
        >
          Remove {spot.name}
        </button>
      </div>
      <div>
        <WeekBoard
          spans={spot.hours}
          label={`Hours of ${spot.name}`}
          change={(spans) => void bench.set(`${at}/hours`, spans)}
        />
        <Slots option={`pickup-${spot.id}`} />
      </div>
    </section>
  );
}

const times = new Intl.DateTimeFormat("en-GB", {
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
  const { priced } = useBench();
  const slots = priced?.slots[option] ?? [];
  const refused = priced?.delivery.find((each) => each.id === option)?.reason;
  if (!priced) return null;
  return (
    <div className="mt-3 text-xs">
      <h2 className="text-sm">The next slots for the ticket</h2>
      {slots.length === 0 ? (
        <p className="quiet">{refused ?? "None: nothing of this basket has to be handed over."}</p>
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
  const local = bench.setup.pickup.local;
  const text = bench.draft.texts["pickup/local/price"]?.text ?? "";
  if (!local) return null;
  return (
    <section
      aria-label="Brought round by the shop"
      className="grid gap-x-8 border-t border-base-content py-4 xl:grid-cols-[3fr_2fr]"
    >
      <div className="grid grid-cols-[1.3fr_1fr_1fr] content-start gap-x-6 gap-y-2">
        <Field path="pickup/local/name" label="Brought round as" />
        <Field path="pickup/local/sentence" label="What the buyer reads under it" className="col-span-2" />
        <Field path="pickup/local/radius" label="As far as" />
        <Field
          path="pickup/local/unit"
          label="in"
          choices={[
            { id: "km", name: "kilometres" },
            { id: "mi", name: "miles" },
          ]}
        />
        <Field path="pickup/local/smallest" label="Smallest order" placeholder="any" optional />
        <Field
          path="pickup/local/price"
          label="Costs"
          className="col-span-3"
          placeholder="to 3 km 3.00, to 8 km 5.00, from 120 free"
          write={() => text}
        />
        <Field
          path="pickup/local/windows"
          label="Brought on"
          className="col-span-2"
          placeholder="any time, or mon-fri 15:00-18:00"
          {...hours}
        />
        <Field path="pickup/local/capacity" label="Orders in a window" placeholder="any" {...whole} />
        <button
          type="button"
          className="btn btn-ghost btn-sm col-span-3 justify-self-start"
          onClick={() => void bench.set("pickup/local", undefined)}
        >
          No longer bring round
        </button>
      </div>
      <div>
        <WeekBoard
          spans={local.windows}
          label="When it is brought round"
          change={(spans) => void bench.set("pickup/local/windows", spans)}
        />
        <Rings local={local} />
        <Slots option="local" />
      </div>
    </section>
  );
}
