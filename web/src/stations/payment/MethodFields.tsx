import { useBench } from "../../desk/bench";
import { Field, places } from "../../shared/Field";
import { whole, words } from "../../shared/notations";
import { kindOf, type MethodSetup } from "./kinds";

const buyers = [
  { id: "", name: "anybody" },
  { id: "person", name: "persons only" },
  { id: "business", name: "businesses only" },
];
const captures = [
  { id: "at-once", name: "as soon as it is authorised" },
  { id: "at-dispatch", name: "when the goods leave" },
];

/** What a way to pay costs, and when a buyer sees it. */
export function MethodFields({ method }: { method: MethodSetup }) {
  const bench = useBench();
  const path = `payment/methods/${method.id}`;
  const { currency } = bench.setup.shop;
  return (
    <>
      <div className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
        {method.fee ? (
          <>
            <Field path={`${path}/fee/percent`} label="Takes from you, %" />
            <Field path={`${path}/fee/fixed`} label={`and each time, ${currency}`} />
          </>
        ) : (
          <Give path={`${path}/fee`} now={{ percent: "0", fixed: "0" }}>
            Say what it takes from you
          </Give>
        )}
        {method.charge ? (
          <>
            <Field path={`${path}/charge/percent`} label="Buyer pays on top, %" />
            <Field
              path={`${path}/charge/amount`}
              label={`and each time, ${currency}`}
              note="Below zero it is a reduction."
            />
          </>
        ) : (
          <Give path={`${path}/charge`} now={{ percent: "0", amount: "0" }}>
            Charge or reward the buyer
          </Give>
        )}
      </div>
      {kindOf(method.kind)?.provider && (
        <Field path={`${path}/capture`} label="The money is taken" choices={captures} className="max-w-xs" />
      )}
      {method.kind === "on-account" && (
        <div className="grid max-w-md grid-cols-2 gap-x-6">
          <Field path={`${path}/terms/days`} label="Paid within, days" placeholder="30" {...whole} />
          <Field path={`${path}/terms/limit`} label={`One buyer may owe, ${currency}`} placeholder="any" optional />
        </div>
      )}
      <fieldset className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
        <legend className="col-span-full mb-1 text-xs quiet">Seen only when</legend>
        <Field path={`${path}/conditions/least`} label={`Order from, ${currency}`} placeholder="any" optional />
        <Field path={`${path}/conditions/most`} label={`Order up to, ${currency}`} placeholder="any" optional />
        <Field
          path={`${path}/conditions/buyers`}
          label="Bought by"
          choices={buyers}
          read={(text) => text || undefined}
        />
        <Field path={`${path}/conditions/currencies`} label="Paid in" placeholder="any" {...words} />
        <Field path={`${path}/conditions/places`} label="Sent to" placeholder="anywhere" {...places} />
        <Field path={`${path}/conditions/deliveries`} label="Delivered by" placeholder="any option" {...words} />
        <Field path={`${path}/conditions/except`} label="Not with these groups" placeholder="none" {...words} />
      </fieldset>
    </>
  );
}

function Give({ path, now, children }: { path: string; now: object; children: string }) {
  const bench = useBench();
  return (
    <button
      type="button"
      className="col-span-2 cursor-pointer self-end justify-self-start underline"
      onClick={() => void bench.set(path, now)}
    >
      {children}
    </button>
  );
}
