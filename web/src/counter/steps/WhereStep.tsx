import { type FormEvent, useState } from "react";
import type { Problem } from "../../api/client";
import { countryName } from "../../shared/places";
import type { StepProps } from "./shared";

/** Who it is for and where it goes. Country and postcode change the price, and say so. */
export function WhereStep({
  counter,
  kept,
  change,
  quote,
  heading,
  wrong,
  next,
}: StepProps & { wrong: Problem[]; next: () => void }) {
  const [tried, setTried] = useState(false);
  const about = (path: string) => wrong.find((problem) => problem.path.endsWith(path));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrong.length === 0) next();
  };
  const countries = counter.countries
    .map((code) => ({ code, name: countryName(code) }))
    .sort((a, b) => a.name.localeCompare(b.name));
  return (
    <form onSubmit={submit}>
      <h1 ref={heading} tabIndex={-1} className="mb-3 text-2xl outline-none">
        Where does it go?
      </h1>
      <Text label="Name" value={kept.name} autoComplete="name" onChange={(name) => change({ name })} />
      <Text
        label="E-mail"
        note="The receipt goes there."
        type="email"
        value={kept.email}
        autoComplete="email"
        onChange={(email) => change({ email })}
      />
      <label className="mb-3 block">
        <span className="mb-1 block text-xs quiet">Country</span>
        <select
          className="select w-full"
          value={kept.country}
          autoComplete="country"
          onChange={(event) => change({ country: event.target.value, region: "", postcode: "" })}
        >
          {countries.map((country) => (
            <option key={country.code} value={country.code}>
              {country.name}
            </option>
          ))}
        </select>
        <span className="text-xs quiet">Decides delivery and tax.</span>
      </label>
      <Text
        label="Street and number"
        value={kept.street}
        autoComplete="address-line1"
        onChange={(street) => change({ street })}
      />
      <div className="flex gap-3">
        <Text
          label="Postcode"
          note="Decides the delivery zone."
          value={kept.postcode}
          autoComplete="postal-code"
          onChange={(postcode) => change({ postcode })}
          problem={about("/postcode")}
        />
        <Text label="Town" value={kept.city} autoComplete="address-level2" onChange={(city) => change({ city })} />
      </div>
      <label className="mb-3 flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={kept.business}
          onChange={(event) => change({ business: event.target.checked })}
        />
        A business or school buys this
      </label>
      {kept.business && (
        <Text
          label="Tax number, if it has one"
          note="With its country's letters, as DE123456789. A confirmed one can decide the tax."
          value={kept.taxNumber}
          autoComplete="off"
          optional
          onChange={(taxNumber) => change({ taxNumber })}
          problem={
            quote?.taxNumber && kept.taxNumber
              ? { path: "taxNumber", sentence: quote.taxNumber, remedy: "You can go on all the same." }
              : undefined
          }
        />
      )}
      {tried &&
        wrong
          .filter((problem) => !problem.path.endsWith("/postcode"))
          .map((problem) => (
            <p key={problem.path} role="alert" className="text-error">
              {problem.sentence} {problem.remedy}
            </p>
          ))}
      <button type="submit" className="btn btn-primary btn-lg mt-2 w-full">
        Go on to delivery
      </button>
    </form>
  );
}

interface TextProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  note?: string;
  type?: string;
  autoComplete: string;
  problem?: Problem | undefined;
  optional?: boolean;
}

function Text({ label, value, onChange, note, type = "text", autoComplete, problem, optional }: TextProps) {
  return (
    <label className="mb-3 block flex-1">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <input
        required={!optional}
        type={type}
        autoComplete={autoComplete}
        maxLength={200}
        className="input w-full text-base"
        value={value}
        aria-invalid={problem !== undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {problem ? (
        <span role="alert" className="text-error">
          {problem.sentence} {problem.remedy}
        </span>
      ) : (
        note && <span className="text-xs quiet">{note}</span>
      )}
    </label>
  );
}
