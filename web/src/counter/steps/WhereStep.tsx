import { type FormEvent, type ReactNode, useState } from "react";
import type { Problem } from "../../api/client";
import { countryName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { type Part, postcodeName, rowsOf } from "../address";
import { useSay } from "../phrases";
import { Besides } from "./Besides";
import { Street } from "./Street";
import type { StepProps } from "./shared";
import { Text } from "./Text";
import { VouchersFor } from "./VouchersFor";

/** Who it is for and where it goes. Country and postcode change the price, and say so. */
export function WhereStep({
  counter,
  kept,
  change,
  quote,
  heading,
  problems,
  wrong,
  next,
}: StepProps & { wrong: Problem[]; next: () => void }) {
  const say = useSay();
  const [tried, setTried] = useState(false);
  const about = (path: string) => wrong.find((problem) => problem.path.endsWith(path));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (wrong.length === 0) next();
  };
  const countries = counter.countries
    .map((code) => ({ code, name: countryName(code, counter.language) }))
    .sort((a, b) => a.name.localeCompare(b.name, counter.language));
  const regions = Object.entries(counter.regions[kept.country] ?? {});
  // Where nothing is sent no street is asked for, only what tax goes by.
  const sent = quote?.needsDelivery !== false;
  const rows = sent
    ? rowsOf(kept.country, regions.length > 0)
    : [["postcode" as Part], ...(regions.length > 0 ? [["region" as Part]] : [])];
  const parts: Record<Part, ReactNode> = {
    street: (
      <Street
        key="street"
        shop={counter.shop}
        country={kept.country}
        label={say("street")}
        value={kept.street}
        autoComplete="address-line1"
        write={(street) => change({ street })}
        take={({ region, ...found }) =>
          change(regions.some(([code]) => code === region) ? { ...found, region } : found)
        }
      />
    ),
    postcode: (
      <Text
        key="postcode"
        label={postcodeName(kept.country) ?? say("postcode")}
        note={say("decidesZone")}
        value={kept.postcode}
        autoComplete="postal-code"
        onChange={(postcode) => change({ postcode, parcelShop: undefined })}
        problem={about("/postcode")}
      />
    ),
    city: (
      <Text
        key="city"
        label={say("town")}
        value={kept.city}
        autoComplete="address-level2"
        onChange={(city) => change({ city })}
      />
    ),
    region: (
      <label key="region" className="mb-3 block flex-1">
        <span className="mb-1 block text-xs quiet">{say("region")}</span>
        <select
          required
          className="select w-full text-base"
          value={kept.region}
          autoComplete="address-level1"
          onChange={(event) => change({ region: event.target.value })}
        >
          <option value="">{say("choose")}</option>
          {regions.map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </label>
    ),
  };
  return (
    <form onSubmit={submit}>
      <h1 ref={heading} tabIndex={-1} className="mb-3 text-2xl outline-none">
        {say("whereTo")}
      </h1>
      <Text label={say("name")} value={kept.name} autoComplete="name" onChange={(name) => change({ name })} />
      {counter.asking.company !== "no" && (
        <Text
          label={say("company")}
          value={kept.company}
          autoComplete="organization"
          optional={counter.asking.company === "optional"}
          onChange={(company) => change({ company })}
        />
      )}
      <Text
        label={say("email")}
        note={say("receiptGoesThere")}
        type="email"
        value={kept.email}
        autoComplete="email"
        onChange={(email) => change({ email })}
      />
      <label className="mb-3 block">
        <span className="mb-1 block text-xs quiet">{say("country")}</span>
        <select
          className="select w-full"
          value={kept.country}
          autoComplete="country"
          onChange={(event) => change({ country: event.target.value, region: "", postcode: "", parcelShop: undefined })}
        >
          {countries.map((country) => (
            <option key={country.code} value={country.code}>
              {country.name}
            </option>
          ))}
        </select>
        <span className="text-xs quiet">{say("decidesDelivery")}</span>
      </label>
      {!sent && <p className="mb-3 text-xs quiet">{say("countryOnly")}</p>}
      {rows.map((row) => (
        <div key={row.join()} className="flex gap-3">
          {row.map((part) => parts[part])}
        </div>
      ))}
      <label className="mb-3 flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={kept.business}
          onChange={(event) => change({ business: event.target.checked })}
        />
        {say("business")}
      </label>
      {kept.business && (
        <Text
          label={say("taxNumber")}
          note={say("taxNumberNote")}
          value={kept.taxNumber}
          autoComplete="off"
          optional
          onChange={(taxNumber) => change({ taxNumber })}
          problem={
            quote?.taxNumber && kept.taxNumber
              ? { path: "taxNumber", sentence: quote.taxNumber, remedy: say("goOnAllTheSame") }
              : undefined
          }
        />
      )}
      {kept.business && (
        <Text
          label={say("yourOrderNumber")}
          note={say("yourOrderNumberNote")}
          value={kept.reference}
          autoComplete="off"
          optional
          longest={60}
          onChange={(reference) => change({ reference })}
        />
      )}
      <VouchersFor counter={counter} kept={kept} change={change} quote={quote} />
      <Besides counter={counter} kept={kept} change={change} sent={sent} />
      <Said problems={problems} />
      {tried &&
        wrong
          .filter((problem) => !problem.path.endsWith("/postcode"))
          .map((problem) => (
            <p key={problem.path} role="alert" className="text-error">
              {problem.sentence} {problem.remedy}
            </p>
          ))}
      <button type="submit" className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-2 w-full">
        {sent ? say("toDelivery") : say("toPayment")}
      </button>
    </form>
  );
}
