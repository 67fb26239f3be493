import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { IdsField, useGoodsKinds } from "../../shared/IdsField";
import { useNames } from "../../shared/NamedField";
import { whole } from "../../shared/notation/plain";
import { PlacesField } from "../../shared/PlacesField";
import { type SetupPath, setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { waysOf } from "../../shared/ways";
import { kindOf, type MethodSetup } from "./kinds";

const buyers = [
  { id: "", name: say("anybody") },
  { id: "person", name: say("personsOnly") },
  { id: "business", name: say("businessesOnly") },
];
const captures = [
  { id: "at-once", name: say("asSoonAsAuthorised") },
  { id: "at-dispatch", name: say("whenGoodsLeave") },
];

/** What a way to pay costs, and when a buyer sees it. */
export function MethodFields({ method }: { method: MethodSetup }) {
  const bench = useBench();
  const path = setupPath("payment", "methods", method.id);
  const { currency } = bench.setup.shop;
  const kinds = useGoodsKinds();
  const currencies = useNames("currency", "");
  const ways = waysOf(bench.setup).ways;
  return (
    <>
      <div className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
        {method.fee ? (
          <>
            <Field path={under(path)("fee", "percent")} label={say("takesFromYou")} />
            <Field path={under(path)("fee", "fixed")} label={say("eachTime", { currency })} />
          </>
        ) : (
          <Give path={under(path)("fee")} now={{ percent: "0", fixed: "0" }}>
            {say("sayWhatTakesFromYou")}
          </Give>
        )}
        {method.charge ? (
          <>
            <Field path={under(path)("charge", "percent")} label={say("buyerPaysOnTop")} />
            <Field
              path={under(path)("charge", "amount")}
              label={say("eachTime", { currency })}
              note={say("belowZeroReduction")}
            />
          </>
        ) : (
          <Give path={under(path)("charge")} now={{ percent: "0", amount: "0" }}>
            {say("chargeOrRewardBuyer")}
          </Give>
        )}
      </div>
      {kindOf(method.kind)?.provider && (
        <Field path={under(path)("capture")} label={say("moneyTaken")} choices={captures} className="max-w-xs" />
      )}
      {method.kind === "on-account" && (
        <div className="grid max-w-md grid-cols-2 gap-x-6">
          <Field path={under(path)("terms", "days")} label={say("paidWithinDays")} placeholder="30" {...whole} />
          <Field
            path={under(path)("terms", "limit")}
            label={say("oneBuyerMayOwe", { currency })}
            placeholder={say("any")}
            optional
          />
        </div>
      )}
      <fieldset className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
        <legend className="col-span-full mb-1 text-xs quiet">{say("seenOnlyWhen")}</legend>
        <Field
          path={under(path)("conditions", "least")}
          label={say("orderFrom", { currency })}
          placeholder={say("any")}
          optional
        />
        <Field
          path={under(path)("conditions", "most")}
          label={say("orderUp", { currency })}
          placeholder={say("any")}
          optional
        />
        <Field
          path={under(path)("conditions", "buyers")}
          label={say("boughtBy")}
          choices={buyers}
          read={(text) => text || undefined}
        />
        <IdsField
          path={under(path)("conditions", "currencies")}
          label={say("paid")}
          things={currencies}
          empty={say("any")}
        />
        <div className="col-span-2">
          <PlacesField path={under(path)("conditions", "places")} label={say("sentTo")} empty={say("anywhere")} />
        </div>
        <IdsField
          path={under(path)("conditions", "deliveries")}
          label={say("deliveredBy")}
          things={ways}
          empty={say("anyOption")}
        />
        <IdsField
          path={under(path)("conditions", "except")}
          label={say("notWithTheseGroups")}
          things={kinds}
          empty={say("none")}
        />
      </fieldset>
    </>
  );
}

function Give({ path, now, children }: { path: SetupPath; now: object; children: string }) {
  const acts = useActs();
  return (
    <button
      type="button"
      className="col-span-2 cursor-pointer self-end justify-self-start underline"
      onClick={() => void acts.set(path, now)}
    >
      {children}
    </button>
  );
}
