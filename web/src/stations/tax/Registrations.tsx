import { useId, useState } from "react";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { begun, near } from "../../shared/named";
import { usePlaceNames } from "../../shared/PlacesField";
import type { SetupPath } from "../../shared/paths";
import { idFrom, setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

const MOST = 8;

const schemes = [
  { id: "ordinary", name: say("ordinary") },
  { id: "one-stop-shop", name: say("unionOnestopShop") },
  { id: "import-scheme", name: say("unionImportScheme") },
];

const stands = [
  { id: "what-the-buyer-pays", name: say("whatBuyerPays") },
  { id: "what-the-seller-earns", name: say("whatSellerEarns") },
];
const sourcings = [
  { id: "destination", name: say("whereGoes") },
  { id: "origin", name: say("whereComesFrom") },
];

/** "135.00 GBP", or nothing. */
const most = {
  write: (value: unknown) => {
    const amount = value as { amount: string; currency: string } | undefined;
    return amount ? `${amount.amount} ${amount.currency}` : "";
  },
  read: (text: string) => {
    const [amount, currency] = text.trim().split(/\s+/);
    return amount ? { amount, currency: (currency ?? "").toUpperCase() } : undefined;
  },
};

/** Whom the number is from: a country, a region with taxes of its own, or the Union for its schemes. */
function AuthorityField({ path }: { path: SetupPath }) {
  const { all, nameOf } = usePlaceNames();
  const list = useId();
  const [typed, setTyped] = useState("");
  return (
    <>
      <Field
        path={path}
        label={say("authority")}
        write={(value) => nameOf(String(value ?? ""))}
        read={(text) => begun(all, text)?.id ?? text.trim()}
        suggestions={list}
        typed={setTyped}
      />
      <datalist id={list}>
        {near(all, typed, MOST).map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
    </>
  );
}

/** With whom the seller is registered, and what stands still for buyers elsewhere. */
export function Registrations() {
  const bench = useBench();
  const acts = useActs();
  const { tax, shop } = bench.setup;
  const { nameOf } = usePlaceNames();
  const add = () => {
    const id = idFrom(
      "registration",
      tax.registrations.map((each) => each.id),
    );
    void acts.set(setupPath("tax", "registrations", id), {
      id,
      authority: shop.address.country,
      number: "",
      scheme: "ordinary",
    });
  };
  return (
    <section aria-label={say("registrations")} className="mt-6">
      <div className="flex items-baseline gap-4">
        <h2 className="text-base">{say("registeredWith")}</h2>
        <TextButton onClick={add}>{say("addRegistration")}</TextButton>
      </div>
      {tax.registrations.length === 0 ? (
        <p className="mt-1 max-w-2xl quiet">{say("noneYetTaxBookFollowed")}</p>
      ) : (
        <ul className="mt-2 grid gap-y-3">
          {tax.registrations.map((each) => {
            const at = setupPath("tax", "registrations", each.id);
            return (
              <li
                key={each.id}
                className="grid grid-cols-2 items-end gap-y-1 md:grid-cols-[9rem_1fr_1fr_7rem_8rem_auto] gap-x-4"
              >
                <AuthorityField path={under(at)("authority")} />
                <Field path={under(at)("scheme")} label={say("scheme")} choices={schemes} />
                <Field path={under(at)("number")} label={say("numberOnEveryPaper")} placeholder={say("asOnLetter")} />
                <Field path={under(at)("from")} label={say("fromDay")} placeholder={say("always")} optional />
                <Field
                  path={under(at)("most")}
                  label={say("goodsWorthUp")}
                  placeholder={say("any")}
                  note={say("notationExample", { text: say("largestConsignmentPlaceholder") })}
                  write={most.write}
                  read={most.read}
                />
                <button
                  type="button"
                  className="btn btn-ghost btn-xs"
                  onClick={() => void acts.set(at, undefined)}
                  aria-label={say("removeRegistrationWith", { authority: nameOf(each.authority) })}
                >
                  {say("removeIt")}
                </button>
              </li>
            );
          })}
        </ul>
      )}
      <div className="mt-4 grid max-w-3xl grid-cols-3 gap-x-6 gap-y-3">
        <Field
          path={setupPath("tax", "standing")}
          label={say("forBuyersElsewhereStandsStill")}
          choices={stands}
          note={say("whereTheirRateAnotherThan")}
        />
        <Field path={setupPath("tax", "sourcing")} label={say("withinCountryRates")} choices={sourcings} />
        <Field
          path={setupPath("tax", "smallBusiness")}
          label={say("exemptAsSmallBusiness")}
          placeholder={say("noOrSentenceLawAsks")}
          optional
        />
      </div>
    </section>
  );
}
