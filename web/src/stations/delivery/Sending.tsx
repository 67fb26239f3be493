import type { ReactNode } from "react";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { whole, yesNo } from "../../shared/notations";
import { idFrom } from "../../shared/paths";
import { countryName } from "../../shared/places";
import { CarrierLink } from "./CarrierLink";
import { point } from "./notations";
import { PackedPicture } from "./PackedPicture";

const alwaysChoices = [
  { id: "no", name: "free as well" },
  { id: "yes", name: "charged all the same" },
];
const pers = [
  { id: "order", name: "an order" },
  { id: "unit", name: "a unit" },
  { id: "kg", name: "a kilogram" },
  { id: "percent", name: "percent of its value" },
];

/** What goods are packed into, what costs more to send, and where goods leave from. */
export function Sending() {
  const bench = useBench();
  const { delivery, shop } = bench.setup;
  const free = (name: string, things: { id: string }[]) =>
    idFrom(
      name,
      things.map((each) => each.id),
    );
  const addParcel = () => {
    const id = free("box", delivery.parcels);
    const now = { id, name: "Box", inner: "30 × 20 × 15 cm", outer: "31 × 21 × 16 cm", weight: "0.2 kg" };
    void bench.set(`delivery/parcels/${id}`, now);
  };
  const addHandling = () => {
    const id = free("handling", delivery.handling);
    void bench.set(`delivery/handling/${id}`, { id, name: "Packed with care", amount: "0", per: "order" });
  };
  const addDispatch = () => {
    const id = free("store", delivery.dispatch);
    void bench.set(`delivery/dispatch/${id}`, { id, name: "Second store", at: { country: shop.address.country } });
  };
  return (
    <div className="mt-6 grid gap-x-8 gap-y-6 border-t border-base-content pt-3 xl:grid-cols-2">
      <Part
        title="Parcels"
        add="Add a parcel type"
        onAdd={addParcel}
        none="None: what leaves a place is one parcel that weighs what is in it."
        empty={delivery.parcels.length === 0}
      >
        {delivery.parcels.map((parcel) => (
          <div key={parcel.id} className="mt-2 grid grid-cols-[1fr_1.3fr_1.3fr_auto] items-end gap-x-3 gap-y-1">
            <Field path={`delivery/parcels/${parcel.id}/name`} label="Parcel" />
            <Field path={`delivery/parcels/${parcel.id}/inner`} label="Inside" />
            <Field path={`delivery/parcels/${parcel.id}/outer`} label="Outside" />
            <Remove path={`delivery/parcels/${parcel.id}`} what={parcel.name} />
            <Field path={`delivery/parcels/${parcel.id}/weight`} label="Weighs" />
            <Field path={`delivery/parcels/${parcel.id}/most`} label="Holds up to" placeholder="any" optional />
          </div>
        ))}
        <PackedPicture />
      </Part>
      <div className="grid content-start gap-y-6">
        <Part
          title="Handling"
          add="Add a handling group"
          onAdd={addHandling}
          none="Nothing costs more to send than its weight says."
          empty={delivery.handling.length === 0}
        >
          {delivery.handling.map((group) => (
            <div key={group.id} className="mt-2 grid grid-cols-[1.5fr_0.8fr_1fr_1.2fr_auto] items-end gap-x-3">
              <Field path={`delivery/handling/${group.id}/name`} label="Handling" />
              <Field path={`delivery/handling/${group.id}/amount`} label="Costs" />
              <Field path={`delivery/handling/${group.id}/per`} label="for" choices={pers} />
              <Field
                path={`delivery/handling/${group.id}/always`}
                label="Where delivery is free"
                choices={alwaysChoices}
                {...yesNo}
              />
              <Remove path={`delivery/handling/${group.id}`} what={group.name} />
            </div>
          ))}
        </Part>
        <section aria-label="Carrier">
          <h2 className="text-base">Carrier</h2>
          <CarrierLink />
        </section>
        <Part
          title="Goods leave from"
          add="Add a place"
          onAdd={addDispatch}
          none={`${shop.name} alone.`}
          empty={delivery.dispatch.length === 0}
        >
          {delivery.dispatch.map((place) => (
            <div key={place.id} className="mt-2 grid grid-cols-[1.4fr_0.6fr_0.8fr_1.2fr_1fr_auto] items-end gap-x-3">
              <Field path={`delivery/dispatch/${place.id}/name`} label="Place" />
              <Field
                path={`delivery/dispatch/${place.id}/at/country`}
                label="Country"
                write={(value) => (typeof value === "string" ? countryName(value) : "")}
              />
              <Field path={`delivery/dispatch/${place.id}/at/postcode`} label="Postcode" optional />
              <Field
                path={`delivery/dispatch/${place.id}/point`}
                label="Latitude, longitude"
                placeholder="for distances"
                {...point}
              />
              <Field path={`delivery/dispatch/${place.id}/preparation`} label="Preparation, days" {...whole} />
              <Remove path={`delivery/dispatch/${place.id}`} what={place.name} />
            </div>
          ))}
        </Part>
      </div>
    </div>
  );
}

function Part({
  title,
  add,
  onAdd,
  none,
  empty,
  children,
}: {
  title: string;
  add: string;
  onAdd: () => void;
  none: string;
  empty: boolean;
  children: ReactNode;
}) {
  return (
    <section aria-label={title}>
      <div className="flex items-baseline gap-4">
        <h2 className="text-base">{title}</h2>
        <button type="button" className="cursor-pointer underline" onClick={onAdd}>
          {add}
        </button>
      </div>
      {empty && <p className="mt-1 quiet">{none}</p>}
      {children}
    </section>
  );
}

function Remove({ path, what }: { path: string; what: string }) {
  const bench = useBench();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      aria-label={`Remove ${what}`}
      onClick={() => void bench.set(path, undefined)}
    >
      Remove
    </button>
  );
}
