import { type Part, postcodeName, rowsOf } from "../address";
import type { InvoiceTo as Address } from "../basket";
import { useSay } from "../phrases";
import { CountrySelect } from "./Places";
import { Street } from "./Street";

interface Props {
  shop: string;
  language: string;
  countries: string[];
  address: Address;
  change: (address: Address) => void;
}

const billing = (field: string) => `billing ${field}`;

/** Where the invoice goes, if not where the goods do. Nothing here changes a price. */
export function InvoiceTo({ shop, language, countries, address, change }: Props) {
  const say = useSay();
  const field = (part: "name" | Exclude<Part, "region">, label: string, autoComplete: string, required = true) => (
    <label key={part} className="mb-3 block flex-1">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <input
        required={required}
        className="input w-full text-base"
        maxLength={part === "postcode" ? 20 : 200}
        autoComplete={billing(autoComplete)}
        value={address[part]}
        onChange={(event) => change({ ...address, [part]: event.target.value })}
      />
    </label>
  );
  const rows = rowsOf(address.country, false);
  return (
    <fieldset className="mb-3 border-s-2 border-base-300 ps-3">
      <legend className="mb-1 font-semibold">{say("invoiceAddress")}</legend>
      {field("name", say("name"), "name")}
      <CountrySelect
        countries={countries}
        language={language}
        value={address.country}
        autoComplete={billing("country")}
        onChange={(country) => change({ ...address, country })}
        className="mb-3 block"
      />
      {rows.map((row) => (
        <div key={row.join()} className="flex gap-3">
          {row.includes("street") && (
            <Street
              shop={shop}
              country={address.country}
              label={say("street")}
              value={address.street}
              autoComplete={billing("address-line1")}
              write={(street) => change({ ...address, street })}
              take={({ street, postcode, city }) => change({ ...address, street, postcode, city })}
            />
          )}
          {row.includes("postcode") &&
            field("postcode", postcodeName(address.country) ?? say("postcode"), "postal-code", false)}
          {row.includes("city") && field("city", say("town"), "address-level2")}
        </div>
      ))}
    </fieldset>
  );
}
