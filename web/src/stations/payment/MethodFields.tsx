import { Link } from "react-router";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { IdsField, useGoodsKinds } from "../../shared/IdsField";
import { useNames } from "../../shared/NamedField";
import { whole } from "../../shared/notation/plain";
import { PlacesField } from "../../shared/PlacesField";
import { type SetupPath, setupPath, under } from "../../shared/paths";
import { Settables, settable } from "../../shared/Settables";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
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

/** How many hours an order waits for its money where nothing is set, by the kind of the way to pay. */
const usualHours: Record<string, string> = { card: "1", wallet: "1", transfer: "168", cheque: "336" };

/** What a way to pay costs, and when a buyer sees it. */
export function MethodFields({ method }: { method: MethodSetup }) {
  const bench = useBench();
  const path = setupPath("payment", "methods", method.id);
  const { currency } = bench.setup.shop;
  const { buyerGroups } = bench.setup.goods;
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
            {kindOf(method.kind)?.provider && (
              <>
                <FeeRow
                  path={under(path)("fee", "eea")}
                  percent={under(path)("fee", "eea", "percent")}
                  fixed={under(path)("fee", "eea", "fixed")}
                  given={method.fee.eea != null}
                  now={method.fee}
                  label={say("ofCardsOfEea")}
                  give={say("otherFeeForEea")}
                />
                <FeeRow
                  path={under(path)("fee", "elsewhere")}
                  percent={under(path)("fee", "elsewhere", "percent")}
                  fixed={under(path)("fee", "elsewhere", "fixed")}
                  given={method.fee.elsewhere != null}
                  now={method.fee.eea ?? method.fee}
                  label={say("ofCardsElsewhere")}
                  give={say("otherFeeElsewhere")}
                />
              </>
            )}
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
        <p className="text-sm quiet">
          {say("whoIsLetNote")}{" "}
          <Link className="underline" to={`/desk/${bench.shop}/buyers`}>
            {say("whoIsLet")}
          </Link>
        </p>
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
      <Field
        path={under(path)("held")}
        label={say("hoursHeld")}
        placeholder={usualHours[method.kind] ?? say("anyTime")}
        className="max-w-xs"
        note={say("hoursHeldNote")}
        {...whole}
      />
      <fieldset>
        <legend className="mb-1 text-xs quiet">{say("seenOnlyWhen")}</legend>
        <Settables
          className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-3"
          items={[
            settable(under(path)("conditions", "least"), say("orderFrom", { currency }), (at, label) => (
              <Field path={at} label={label} placeholder={say("any")} optional />
            )),
            settable(under(path)("conditions", "most"), say("orderUp", { currency }), (at, label) => (
              <Field path={at} label={label} placeholder={say("any")} optional />
            )),
            settable(under(path)("conditions", "buyers"), say("boughtBy"), (at, label) => (
              <Field path={at} label={label} choices={buyers} read={(text) => text || undefined} />
            )),
            settable(under(path)("conditions", "currencies"), say("paid"), (at, label) => (
              <IdsField path={at} label={label} things={currencies} empty={say("any")} />
            )),
            settable(under(path)("conditions", "places"), say("sentTo"), (at, label) => (
              <PlacesField path={at} label={label} empty={say("anywhere")} />
            )),
            settable(under(path)("conditions", "deliveries"), say("deliveredBy"), (at, label) => (
              <IdsField path={at} label={label} things={ways} empty={say("anyOption")} />
            )),
            ...(buyerGroups.length > 0
              ? [
                  settable(under(path)("conditions", "groups"), say("forGroupsOnly"), (at, label) => (
                    <IdsField path={at} label={label} things={buyerGroups} empty={say("forEverybody")} />
                  )),
                ]
              : []),
            settable(under(path)("conditions", "except"), say("notWithTheseGroups"), (at, label) => (
              <IdsField path={at} label={label} things={kinds} empty={say("none")} />
            )),
          ]}
        />
      </fieldset>
    </>
  );
}

interface FeeRowProps {
  path: SetupPath;
  percent: SetupPath;
  fixed: SetupPath;
  given: boolean;
  /** What holds for such cards until a row of their own is given. */
  now: { percent: string; fixed: string };
  label: string;
  give: string;
}

/** What a provider takes of the cards of a region. */
function FeeRow({ path, percent, fixed, given, now, label, give }: FeeRowProps) {
  const acts = useActs();
  const { currency } = useBench().setup.shop;
  if (!given) {
    return (
      <Give path={path} now={{ percent: now.percent, fixed: now.fixed }}>
        {give}
      </Give>
    );
  }
  return (
    <>
      <Field path={percent} label={label} />
      <span className="flex items-end gap-2">
        <Field path={fixed} label={say("eachTime", { currency })} />
        <TextButton onClick={() => void acts.set(path, undefined)}>{say("removeIt")}</TextButton>
      </span>
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
