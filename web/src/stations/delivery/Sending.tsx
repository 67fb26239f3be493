import type { ReactNode } from "react";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { NamedField } from "../../shared/NamedField";
import { NotationField } from "../../shared/NotationField";
import { point } from "../../shared/notation/delivery";
import { whole, yesNo } from "../../shared/notation/plain";
import { idFrom, type SetupPath, setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { CarrierLink } from "./CarrierLink";
import { PackedPicture } from "./PackedPicture";

const alwaysChoices = [
  { id: "no", name: say("freeAsWell") },
  { id: "yes", name: say("chargedAllSame") },
];
const pers = [
  { id: "order", name: say("anOrder") },
  { id: "unit", name: say("unit") },
  { id: "kg", name: say("kilogram") },
  { id: "percent", name: say("percentItsValue") },
];

/** What goods are packed into, what costs more to send, and where goods leave from. */
export function Sending() {
  const bench = useBench();
  const acts = useActs();
  const { delivery, shop } = bench.setup;
  const free = (name: string, things: { id: string }[]) =>
    idFrom(
      name,
      things.map((each) => each.id),
    );
  const addParcel = () => {
    const id = free("box", delivery.parcels);
    const now = { id, name: say("box"), inner: "30 × 20 × 15 cm", outer: "31 × 21 × 16 cm", weight: "0.2 kg" };
    void acts.set(setupPath("delivery", "parcels", id), now);
  };
  const addHandling = () => {
    const id = free("handling", delivery.handling);
    void acts.set(setupPath("delivery", "handling", id), {
      id,
      name: say("packedWithCare"),
      amount: "0",
      per: "order",
    });
  };
  const addDispatch = () => {
    const id = free("store", delivery.dispatch);
    void acts.set(setupPath("delivery", "dispatch", id), {
      id,
      name: say("secondStore"),
      at: { country: shop.address.country },
    });
  };
  return (
    <div className="mt-6 grid gap-x-8 gap-y-6 border-t border-base-content pt-3 xl:grid-cols-2">
      <Part
        title={say("parcels")}
        add={say("addParcelType")}
        onAdd={addParcel}
        none={say("noneWhatLeavesPlaceOne")}
        empty={delivery.parcels.length === 0}
      >
        {delivery.parcels.map((parcel) => (
          <div key={parcel.id} className="mt-2 grid grid-cols-[1fr_1.3fr_1.3fr_auto] items-end gap-x-3 gap-y-1">
            <Field path={setupPath("delivery", "parcels", parcel.id, "name")} label={say("parcel")} />
            <Field path={setupPath("delivery", "parcels", parcel.id, "inner")} label={say("inside")} />
            <Field path={setupPath("delivery", "parcels", parcel.id, "outer")} label={say("outside")} />
            <Remove path={setupPath("delivery", "parcels", parcel.id)} what={parcel.name} />
            <Field path={setupPath("delivery", "parcels", parcel.id, "weight")} label={say("weighs")} />
            <Field
              path={setupPath("delivery", "parcels", parcel.id, "most")}
              label={say("holdsUp")}
              placeholder={say("any")}
              optional
            />
            <Field
              path={setupPath("delivery", "parcels", parcel.id, "price")}
              label={say("costOfOne")}
              placeholder={say("costNotCounted")}
              optional
            />
          </div>
        ))}
        <PackedPicture />
      </Part>
      <div className="grid content-start gap-y-6">
        <Part
          title={say("handling")}
          add={say("addHandlingGroup")}
          onAdd={addHandling}
          none={say("nothingCostsMoreSendThan")}
          empty={delivery.handling.length === 0}
        >
          {delivery.handling.map((group) => (
            <div key={group.id} className="mt-2 grid grid-cols-[1.5fr_0.8fr_1fr_1.2fr_auto] items-end gap-x-3">
              <Field path={setupPath("delivery", "handling", group.id, "name")} label={say("handling")} />
              <Field path={setupPath("delivery", "handling", group.id, "amount")} label={say("costs")} />
              <Field
                path={setupPath("delivery", "handling", group.id, "per")}
                label={say("handlingPer")}
                choices={pers}
              />
              <Field
                path={setupPath("delivery", "handling", group.id, "always")}
                label={say("whereDeliveryFree")}
                choices={alwaysChoices}
                {...yesNo}
              />
              <Remove path={setupPath("delivery", "handling", group.id)} what={group.name} />
            </div>
          ))}
        </Part>
        <section aria-label={say("carrier")}>
          <h2 className="text-base">{say("carrier")}</h2>
          <CarrierLink />
        </section>
        <Part
          title={say("goodsLeaveFrom")}
          add={say("addPlace")}
          onAdd={addDispatch}
          none={`${shop.name} alone.`}
          empty={delivery.dispatch.length === 0}
        >
          {delivery.dispatch.map((place) => (
            <div key={place.id} className="mt-2 grid grid-cols-[1.4fr_0.6fr_0.8fr_1.2fr_1fr_auto] items-end gap-x-3">
              <Field path={setupPath("delivery", "dispatch", place.id, "name")} label={say("place")} />
              <NamedField
                path={setupPath("delivery", "dispatch", place.id, "at", "country")}
                label={say("country")}
                kind="country"
              />
              <Field
                path={setupPath("delivery", "dispatch", place.id, "at", "postcode")}
                label={say("postcode")}
                optional
              />
              <NotationField
                path={setupPath("delivery", "dispatch", place.id, "point")}
                label={say("latitudeLongitude")}
                placeholder={say("forDistances")}
                notation={point}
              />
              <Field
                path={setupPath("delivery", "dispatch", place.id, "preparation")}
                label={say("preparationDays")}
                {...whole}
              />
              <Remove path={setupPath("delivery", "dispatch", place.id)} what={place.name} />
              <Field
                path={setupPath("delivery", "dispatch", place.id, "email")}
                label={say("toldWhatToSend")}
                placeholder={say("nobodyThere")}
                className="col-span-2"
              />
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
        <TextButton onClick={onAdd}>{add}</TextButton>
      </div>
      {empty && <p className="mt-1 quiet">{none}</p>}
      {children}
    </section>
  );
}

function Remove({ path, what }: { path: SetupPath; what: string }) {
  const acts = useActs();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      aria-label={say("removeWhat", { what })}
      onClick={() => void acts.set(path, undefined)}
    >
      {say("removeIt")}
    </button>
  );
}
