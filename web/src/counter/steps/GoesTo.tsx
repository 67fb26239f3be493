import { type FormEvent, useState } from "react";
import type { Problem } from "../../api/client";
import { countryName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { TextButton } from "../../shared/TextButton";
import { postcodeName } from "../address";
import { placeOf } from "../basket";
import { useSay } from "../phrases";
import { CountrySelect, RegionSelect } from "./Places";
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
          <CountrySelect
            countries={counter.countries}
            language={counter.language}
            value={typed.country}
            onChange={(country) => setTyped({ country, region: "", postcode: "" })}
            className="grow basis-48"
          />
          {regions.length > 0 && (
            <RegionSelect
              regions={regions}
              value={typed.region}
              onChange={(region) => setTyped({ ...typed, region })}
              className="grow basis-40"
            />
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
