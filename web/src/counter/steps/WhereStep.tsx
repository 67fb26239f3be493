import { type FormEvent, type ReactNode, useState } from "react";
import type { Problem } from "../../api/client";
import { Said } from "../../shared/Said";
import { type Part, postcodeName, rowsOf } from "../address";
import { useSay } from "../phrases";
import { Besides } from "./Besides";
import { CountrySelect, RegionSelect } from "./Places";
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
      <RegionSelect
        regions={regions}
        value={kept.region}
        autoComplete="address-level1"
        onChange={(region) => change({ region })}
        key="region"
        className="mb-3 block flex-1"
      />
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
      <CountrySelect
        countries={counter.countries}
        language={counter.language}
        value={kept.country}
        autoComplete="country"
        onChange={(country) => change({ country, region: "", postcode: "", parcelShop: undefined })}
        className="mb-3 block"
        note={say("decidesDelivery")}
      />
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
