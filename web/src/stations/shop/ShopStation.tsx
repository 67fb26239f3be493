import { Link } from "react-router";
import { useBench } from "../../desk/bench";
import { ChipsField } from "../../shared/ChipsField";
import { Field } from "../../shared/Field";
import { NamedField, useNames } from "../../shared/NamedField";
import { lines, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { PointField } from "../../shared/PointField";
import { setupPath } from "../../shared/paths";
import { RegionField } from "../../shared/RegionField";
import { StationHead } from "../../shared/StationHead";
import { deskLocale, say } from "../../shared/say";
import { Accepted } from "./Accepted";
import { Assumed } from "./Assumed";
import { useHomeChange } from "./HomeChange";
import { PlacesSold } from "./PlacesSold";
import { Standing } from "./Standing";
import { WholeSetup } from "./WholeSetup";
import { WorkingDays } from "./WorkingDays";

const weightUnits = ["kg", "g", "lb", "oz"].map((id) => ({ id, name: id }));
const lengthUnits = ["cm", "mm", "m", "in", "ft"].map((id) => ({ id, name: id }));
const prices = [
  { id: "with-tax", name: say("withTax") },
  { id: "without-tax", name: say("withoutTax") },
];
const netForBusinesses = yesNoChoices.map(({ id }, at) => ({
  id,
  name: at === 0 ? say("readWithTax") : say("readWithoutTax"),
}));
const roundings = [
  { id: "half-up", name: say("halfUp") },
  { id: "half-even", name: say("halfEven") },
  { id: "down", name: say("down") },
];

/** Who and where the shop is, written onto its own letterhead. */
export function ShopStation() {
  const bench = useBench();
  const { shop } = bench.setup;
  const home = useHomeChange();
  return (
    <>
      <StationHead title={say("shop")}>
        {!bench.draft.edition && (
          <Link className="underline" to={`/desk/${bench.shop}/begin`}>
            {say("firstQuestions")}
          </Link>
        )}
        <WholeSetup />
        {bench.draft.edition && (
          <a className="underline" href={`/api/shops/${bench.shop}/editions/${bench.draft.edition}`} download>
            {say("editionAsFile", { edition: bench.draft.edition })}
          </a>
        )}
      </StationHead>
      {home.asking}
      <div className="grid gap-8 xl:grid-cols-[3fr_2fr]">
        <div className="grid content-start gap-6">
          <section aria-label={say("letterhead")} className="border border-base-300 px-8 py-7">
            <div className="border-b border-base-content pb-3 font-head text-2xl font-bold">
              <Field
                path={setupPath("shop", "name")}
                label={say("nameBuyersKnow")}
                hideLabel
                placeholder={say("nameShop")}
              />
            </div>
            <div className="mt-4 grid grid-cols-2 gap-x-8 gap-y-3">
              <Field path={setupPath("shop", "legalName")} label={say("legalName")} className="col-span-2" />
              <Field
                path={setupPath("shop", "address", "lines")}
                label={say("street")}
                className="col-span-2"
                {...lines}
              />
              <Field path={setupPath("shop", "address", "city")} label={say("town")} />
              <Field path={setupPath("shop", "address", "postcode")} label={say("postcode")} />
              <NamedField
                path={setupPath("shop", "address", "country")}
                label={say("country")}
                kind="country"
                keep={home.country}
              />
              <RegionField path={setupPath("shop", "address", "region")} country={shop.address.country} />
              <PointField className="col-span-2" />
              <Field path={setupPath("shop", "email")} label={say("email")} />
              <Field path={setupPath("shop", "phone")} label={say("phone")} />
              <Field
                path={setupPath("shop", "numbers")}
                label={say("otherNumbersOnPapers")}
                placeholder={say("none")}
                note={say("suchAsCompanysTaxNumbers")}
                className="col-span-2"
                {...lines}
              />
            </div>
          </section>
          <WorkingDays />
          <PlacesSold />
        </div>
        <section aria-label={say("moneyLanguageUnits")} className="grid content-start gap-3">
          <div className="grid grid-cols-2 gap-x-6 gap-y-3">
            <NamedField
              path={setupPath("shop", "currency")}
              label={say("currency")}
              kind="currency"
              note={say("everyAmountSetup")}
              keep={home.currency}
            />
            <Field
              path={setupPath("tax", "prices")}
              label={say("pricesAreTyped")}
              choices={prices}
              note={say("shelfPricesDeliveryThresholdsAlike")}
            />
            {bench.setup.tax.prices === "with-tax" && (
              <Field
                path={setupPath("tax", "netForBusinesses")}
                label={say("businessesRead")}
                choices={netForBusinesses}
                note={say("businessesReadNote")}
                {...yesNo}
              />
            )}
            <NamedField path={setupPath("shop", "language")} label={say("languageShop")} kind="language" />
            <NamedField path={setupPath("shop", "timeZone")} label={say("timeZone")} kind="timeZone" />
            <Field path={setupPath("shop", "weightUnit")} label={say("weights")} choices={weightUnits} />
            <Field path={setupPath("shop", "lengthUnit")} label={say("lengths")} choices={lengthUnits} />
            <Field path={setupPath("shop", "rounding")} label={say("rounding")} choices={roundings} />
            <Field
              path={setupPath("shop", "smallest")}
              label={say("smallestOrder")}
              placeholder={say("any")}
              optional
            />
            <OtherLanguages />
          </div>
          <Assumed />
          <Standing />
          <Accepted />
          <Formats language={shop.language} currency={shop.currency} timeZone={shop.timeZone} unit={shop.weightUnit} />
        </section>
      </div>
    </>
  );
}

/** How the language writes money, dates, numbers and weights. */
function Formats({
  language,
  currency,
  timeZone,
  unit,
}: {
  language: string;
  currency: string;
  timeZone: string;
  unit: string;
}) {
  const samples: [string, () => string][] = [
    [say("sampleMoney"), () => new Intl.NumberFormat(language, { style: "currency", currency }).format(1234.5)],
    [say("sampleNumber"), () => new Intl.NumberFormat(language).format(1234567.89)],
    [say("sampleDate"), () => new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone }).format(new Date())],
    [say("sampleWeight"), () => `${new Intl.NumberFormat(language).format(1.25)} ${unit}`],
  ];
  return (
    <dl className="mt-2 grid grid-cols-[6rem_1fr] gap-y-1 border-t border-base-300 pt-3">
      {samples.map(([name, sample]) => (
        <div key={name} className="contents">
          <dt className="quiet">{name}</dt>
          <dd className="font-mono">{attempt(sample)}</dd>
        </div>
      ))}
    </dl>
  );
}

/** A half-typed language or time zone has no formats yet. */
function attempt(sample: () => string): string {
  try {
    return sample();
  } catch {
    return "–";
  }
}

/** The other languages buyers can read the shop in, by their names. */
function OtherLanguages() {
  const names = useNames("language", "");
  const nameOf = (tag: string) => new Intl.DisplayNames([deskLocale()], { type: "language" }).of(tag) ?? tag;
  return (
    <ChipsField
      path={setupPath("shop", "languages")}
      label={say("also")}
      note={say("textsThatLackOne")}
      names={names}
      nameOf={nameOf}
      empty={say("noOtherLanguage")}
    />
  );
}
