import { type FormEvent, useState } from "react";
import type { Problem } from "../../api/client";
import { countryName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { TextButton } from "../../shared/TextButton";
import { postcodeName } from "../address";
import { placeOf } from "../basket";
import { useSay } from "../phrases";
import type { StepProps } from "./shared";

type Props = Pick<StepProps, "counter" | "kept" | "change"> & { wrong: Problem[] };

/** Where the basket is priced for, and the way to say where it goes before there is an address. */
export function GoesTo({ counter, kept, change, wrong }: Props) {
  const say = useSay();
  const [typed, setTyped] = useState<{ country: string; region: string; postcode: string }>();
  const to = placeOf(kept, counter);
  const named =
    to &&
    [to.postcode, to.region && counter.regions[to.country]?.[to.region], countryName(to.country, counter.language)]
      .filter(Boolean)
      .join(", ");
  const take = (event: FormEvent) => {
    event.preventDefault();
    if (typed) change({ ...typed, placed: true, parcelShop: undefined });
    setTyped(undefined);
  };
  const countries = counter.countries
    .map((code) => ({ code, name: countryName(code, counter.language) }))
    .sort((a, b) => a.name.localeCompare(b.name, counter.language));
  const regions = Object.entries(counter.regions[typed?.country ?? ""] ?? {});
  return (
    <div className="mt-3">
      <p>
        {named ? say("reckonedFor", { place: named }) : say("reckonedForNowhere")}{" "}
        <TextButton
          aria-expanded={typed !== undefined}
          onClick={() =>
            setTyped(
              typed
                ? undefined
                : {
                    country: to?.country ?? counter.home,
                    region: to?.region ?? "",
                    // What the shop assumes is nobody's postcode.
                    postcode: kept.placed ? kept.postcode : "",
                  },
            )
          }
        >
          {named ? say("anotherPlace") : say("sayWhere")}
        </TextButton>
      </p>
      <Said problems={wrong} />
      {typed && (
        <form onSubmit={take} className="mt-2 flex flex-wrap items-end gap-3">
          <label className="grow basis-48">
            <span className="mb-1 block text-xs quiet">{say("country")}</span>
            <select
              className="select w-full"
              value={typed.country}
              onChange={(event) => setTyped({ country: event.target.value, region: "", postcode: "" })}
            >
              {countries.map(({ code, name }) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          {regions.length > 0 && (
            <label className="grow basis-40">
              <span className="mb-1 block text-xs quiet">{say("region")}</span>
              <select
                required
                className="select w-full"
                value={typed.region}
                onChange={(event) => setTyped({ ...typed, region: event.target.value })}
              >
                <option value="">{say("choose")}</option>
                {regions.map(([code, name]) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className="basis-28">
            <span className="mb-1 block text-xs quiet">{postcodeName(typed.country) ?? say("postcode")}</span>
            <input
              className="input w-full"
              maxLength={20}
              value={typed.postcode}
              onChange={(event) => setTyped({ ...typed, postcode: event.target.value })}
            />
          </label>
          <button type="submit" className="btn">
            {say("takePlace")}
          </button>
        </form>
      )}
    </div>
  );
}
