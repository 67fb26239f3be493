import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { money } from "../../shared/money";
import { lines, words } from "../../shared/notations";
import { countryText } from "../../shared/places";
import { StationHead } from "../../shared/StationHead";
import { point } from "../delivery/notations";
import { Accepted } from "./Accepted";
import { PlacesSold } from "./PlacesSold";
import { Standing } from "./Standing";
import { WorkingDays } from "./WorkingDays";

const weightUnits = ["kg", "g", "lb", "oz"].map((id) => ({ id, name: id }));
const prices = [
  { id: "with-tax", name: "with tax" },
  { id: "without-tax", name: "without tax" },
];
const roundings = [
  { id: "half-up", name: "half up" },
  { id: "half-even", name: "half to even" },
  { id: "down", name: "down" },
];

/** Who and where the shop is, written onto its own letterhead. */
export function ShopStation() {
  const bench = useBench();
  const { shop } = bench.setup;
  return (
    <>
      <StationHead title="Shop">
        {bench.draft.edition && (
          <a className="underline" href={`/api/shops/${bench.shop}/editions/${bench.draft.edition}`} download>
            Edition {bench.draft.edition} as a file
          </a>
        )}
      </StationHead>
      <div className="grid gap-8 xl:grid-cols-[3fr_2fr]">
        <div className="grid content-start gap-6">
          <section aria-label="Letterhead" className="border border-base-300 px-8 py-7">
            <div className="border-b border-base-content pb-3 font-head text-2xl font-bold">
              <Field path="shop/name" label="Name buyers know" hideLabel placeholder="Name of the shop" />
            </div>
            <div className="mt-4 grid grid-cols-2 gap-x-8 gap-y-3">
              <Field path="shop/legalName" label="Legal name" className="col-span-2" />
              <Field path="shop/address/lines" label="Street" className="col-span-2" {...lines} />
              <Field path="shop/address/city" label="Town" />
              <Field path="shop/address/postcode" label="Postcode" />
              <Field path="shop/address/country" label="Country" write={countryText} />
              <Field
                path="shop/address/region"
                label="Region, ISO 3166-2"
                placeholder="none"
                note="Tax and holidays go by it."
                optional
              />
              <Field
                path="shop/point"
                label="Latitude, longitude"
                placeholder="unknown"
                note="Distances are measured from here."
                className="col-span-2"
                {...point}
              />
              <Field path="shop/email" label="E-mail" />
              <Field path="shop/phone" label="Phone" />
              <Field
                path="shop/numbers"
                label="Other numbers on papers"
                placeholder="none"
                note="Such as the company's; tax numbers are entered at Tax."
                className="col-span-2"
                {...lines}
              />
            </div>
          </section>
          <WorkingDays />
          <PlacesSold />
        </div>
        <section aria-label="Money, language, units" className="grid content-start gap-3">
          <div className="grid grid-cols-2 gap-x-6 gap-y-3">
            <Field path="shop/currency" label="Currency" note="Every amount of the setup is in it." />
            <Field
              path="tax/prices"
              label="Prices are typed"
              choices={prices}
              note="Shelf prices, delivery and thresholds alike."
            />
            <Field path="shop/language" label="Language of the shop" />
            <Field path="shop/timeZone" label="Time zone" />
            <Field path="shop/weightUnit" label="Weights in" choices={weightUnits} />
            <Field path="shop/rounding" label="Rounding" choices={roundings} />
            <Field path="shop/smallest" label="Smallest order" placeholder="any" optional />
            <Field
              path="shop/languages"
              label="Also in"
              placeholder="no other language"
              note="Language tags: de, fr. Texts that lack one are told below."
              write={words.write}
              read={words.read}
            />
          </div>
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
    ["Money", () => money("1234.50", currency, language)],
    ["Number", () => new Intl.NumberFormat(language).format(1234567.89)],
    ["Date", () => new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone }).format(new Date())],
    ["Weight", () => `${new Intl.NumberFormat(language).format(1.25)} ${unit}`],
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
