import type { ReactNode } from "react";
import type { Setup } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { endings } from "../../shared/endings";
import { Field } from "../../shared/Field";
import { IdsField, useGoodsKinds } from "../../shared/IdsField";
import { Moves } from "../../shared/Moves";
import { NotationField } from "../../shared/NotationField";
import { dayText, volume } from "../../shared/notation/delivery";
import { weekdays } from "../../shared/notation/hours";
import { yesNo, yesNoChoices } from "../../shared/notation/plain";
import { idFrom, type SetupPath, setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";

/** One option: what the buyer reads, what it does not carry, what is charged on top. */
export function OptionFields({ id, close }: { id: string; close: () => void }) {
  const bench = useBench();
  const acts = useActs();
  const path = setupPath("delivery", "options", id);
  const { options, zones } = bench.setup.delivery;
  const { buyerGroups } = bench.setup.goods;
  const kinds = useGoodsKinds();
  const option = options.find((each) => each.id === id);
  if (!option) return null;
  const remove = async () => {
    const rates = zones
      .filter((zone) => zone.rates[id])
      .map((zone) => ({ path: setupPath("delivery", "zones", zone.id, "rates", id), was: zone.rates[id] }));
    const days = zones
      .filter((zone) => zone.days[id])
      .map((zone) => ({ path: setupPath("delivery", "zones", zone.id, "days", id), was: zone.days[id] }));
    if (await acts.commit([...rates, ...days, { path, was: option }])) close();
  };
  return (
    <section aria-label={say("optionNamed", { name: option.name })}>
      <h2 className="mb-2">{say("optionField")}</h2>
      <div className="grid max-w-3xl grid-cols-[1fr_2fr_1fr] gap-x-6 gap-y-2">
        <Field path={under(path)("name")} label={say("nameField")} />
        <Field path={under(path)("sentence")} label={say("whatBuyerReadsUnder")} />
        <NotationField path={under(path)("days")} label={say("workingDays")} notation={dayText} />
        <Field
          path={under(path)("tracking", "carrier")}
          label={say("carrierName")}
          placeholder={say("none")}
          optional
        />
        <Field
          path={under(path)("tracking", "link")}
          label={say("trackingPattern")}
          placeholder={say("none")}
          note={say("trackingPatternNote")}
          optional
        />
        <Field
          path={under(path)("parcelShop")}
          label={say("toParcelShop")}
          choices={yesNoChoices}
          note={say("toParcelShopNote")}
          {...yesNo}
        />
      </div>
      <fieldset className="mt-2">
        <legend className="mb-1 text-xs quiet">{say("workingDaysToZones")}</legend>
        <div className="grid max-w-3xl grid-cols-2 gap-x-6 gap-y-1 sm:grid-cols-3">
          {zones
            .filter((zone) => zone.rates[id])
            .map((zone) => (
              <NotationField
                key={zone.id}
                path={setupPath("delivery", "zones", zone.id, "days", id)}
                label={zone.name}
                placeholder={option.days ? dayText.write(option.days) : say("nothingSaid")}
                notation={dayText}
              />
            ))}
        </div>
      </fieldset>
      <Fold title={say("whatCarries")}>
        <Field
          path={under(path)("limits", "weightTo")}
          label={say("weightUp")}
          placeholder={say("any")}
          note={say("notationExample", { text: say("weightPlaceholder") })}
          optional
        />
        <Field
          path={under(path)("limits", "longestTo")}
          label={say("longestSideUp")}
          placeholder={say("any")}
          note={say("notationExample", { text: say("longestSidePlaceholder") })}
          optional
        />
        <Field
          path={under(path)("limits", "girthTo")}
          label={say("lengthGirthUp")}
          placeholder={say("any")}
          note={say("notationExample", { text: say("girthPlaceholder") })}
          optional
        />
        <Field path={under(path)("limits", "quantityTo")} label={say("thingsUp")} placeholder={say("any")} optional />
        <Field path={under(path)("limits", "valueFrom")} label={say("goodsFrom")} placeholder={say("any")} optional />
        <Field path={under(path)("limits", "valueTo")} label={say("goodsUp")} placeholder={say("any")} optional />
        <IdsField
          path={under(path)("limits", "only")}
          label={say("onlyTheseGroups")}
          things={kinds}
          empty={say("allOfThem")}
        />
        <IdsField
          path={under(path)("limits", "except")}
          label={say("notTheseGroups")}
          things={kinds}
          empty={say("none")}
        />
        {buyerGroups.length > 0 && (
          <IdsField
            path={under(path)("limits", "groups")}
            label={say("forGroupsOnly")}
            things={buyerGroups}
            empty={say("forEverybody")}
          />
        )}
        <NotationField
          path={under(path)("limits", "weekdays")}
          label={say("orderedOn")}
          placeholder={say("anyDay")}
          notation={weekdays}
        />
      </Fold>
      <Fold title={say("whatChargesOnTop")}>
        <Field
          path={under(path)("charges", "percent")}
          label={say("percentOnTop")}
          placeholder={say("none")}
          optional
        />
        <Field path={under(path)("charges", "amount")} label={say("amountOnTop")} placeholder={say("none")} optional />
        <Field path={under(path)("charges", "fuel")} label={say("fuelPercentAll")} placeholder={say("none")} optional />
        <Field path={under(path)("charges", "least")} label={say("neverLessThan")} placeholder={say("any")} optional />
        <Field path={under(path)("charges", "most")} label={say("neverMoreThan")} placeholder={say("any")} optional />
        <Field
          path={under(path)("charges", "ending")}
          label={say("brought")}
          choices={endings}
          read={(text) => text || undefined}
        />
        <NotationField
          path={under(path)("chargeable")}
          label={say("weightByVolume")}
          placeholder={say("no")}
          note={say("largerWeightVolumeDivisorCounts")}
          notation={volume}
        />
      </Fold>
      <Oversize path={path} surcharges={option.charges?.oversize ?? []} />
      <div className="mt-2 flex gap-2">
        <Moves path={path} things={options} of={say("anOption")} />
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => void remove()}>
          {say("removeThisOption")}
        </button>
      </div>
    </section>
  );
}

/** Surcharges for parcels above a size or weight. */
function Oversize({
  path,
  surcharges,
}: {
  path: SetupPath<Setup["delivery"]["options"][number]>;
  surcharges: { id: string; name: string }[];
}) {
  const acts = useActs();
  const add = () => {
    const id = idFrom(
      "oversize",
      surcharges.map((each) => each.id),
    );
    const now = { id, name: say("largeParcel"), longestOver: "120 cm", amount: "0", always: false };
    void acts.set(under(path)("charges", "oversize"), [...surcharges, now]);
  };
  return (
    <Fold title={say("largeParcels")}>
      {surcharges.map((each) => {
        const at = under(path)("charges", "oversize", each.id);
        return (
          <div key={each.id} className="col-span-3 grid grid-cols-[1.5fr_1fr_1fr_1fr_1fr_1.2fr_auto] items-end gap-x-3">
            <Field path={under(at)("name")} label={say("named")} />
            <Field path={under(at)("longestOver")} label={say("longerThan")} placeholder={say("any")} optional />
            <Field path={under(at)("girthOver")} label={say("girthOver")} placeholder={say("any")} optional />
            <Field path={under(at)("weightOver")} label={say("heavierThan")} placeholder={say("any")} optional />
            <Field path={under(at)("amount")} label={say("eachCosts")} />
            <Field path={under(at)("always")} label={say("evenWhenFree")} choices={yesNoChoices} {...yesNo} />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={say("removeNamed", { name: each.name })}
              onClick={() => void acts.set(at, undefined)}
            >
              {say("removeIt")}
            </button>
          </div>
        );
      })}
      <button type="button" className="cursor-pointer justify-self-start underline" onClick={add}>
        {say("addSurcharge")}
      </button>
    </Fold>
  );
}

function Fold({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details className="mt-3 max-w-3xl border-t border-base-300 pt-2">
      <summary className="cursor-pointer">{title}</summary>
      <div className="mt-2 grid grid-cols-3 gap-x-6 gap-y-2">{children}</div>
    </details>
  );
}
