import { type FormEvent, useMemo, useState } from "react";
import { useBench } from "../../desk/bench";
import { countriesIn, named } from "../../shared/named";
import { usePlaceNames } from "../../shared/PlacesField";
import { inWords } from "../../shared/places";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import type { Places, Source } from "./usePlaces";

const sources: { id: Source; name: string }[] = [
  { id: "zones", name: say("oneOfEachZone") },
  { id: "countries", name: say("everyCountrySoldTo") },
  { id: "orders", name: say("whereOrdersWent") },
  { id: "typed", name: say("placesTyped") },
];

/** Which places stand across; one more, typed by its country's name and postcode. */
export function PlacesAcross({ places }: { places: Places }) {
  const { setup } = useBench();
  const { nameOf } = usePlaceNames();
  const countries = useMemo(() => countriesIn(deskLocale()), []);
  const [wrong, setWrong] = useState("");
  const add = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const typed = new FormData(form);
    const country = String(typed.get("country")).trim() || setup.shop.address.country;
    const known = named(countries, country);
    setWrong(known ? "" : country);
    if (!known) return;
    const postcode = String(typed.get("postcode")).trim();
    places.add({ country: known.id, ...(postcode ? { postcode } : {}) });
    form.reset();
  };
  return (
    <section aria-label={say("placesAcross")} className="mt-6 border-t border-base-300 pt-3">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <label>
          <span className="block text-xs quiet">{say("placesAcross")}</span>
          <select
            className="inplace"
            value={places.source}
            onChange={(event) => places.from(event.target.value as Source)}
          >
            {sources.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <form className="flex flex-wrap items-end gap-3" onSubmit={add}>
          <label>
            <span className="block text-xs quiet">{say("country")}</span>
            <input name="country" className="inplace w-40" maxLength={80} autoComplete="off" />
          </label>
          <label>
            <span className="block text-xs quiet">{say("postcode")}</span>
            <input name="postcode" className="inplace w-28" maxLength={20} autoComplete="off" />
          </label>
          <button type="submit" className="btn btn-sm">
            {say("addBoardPlace")}
          </button>
        </form>
      </div>
      {wrong && (
        <Said
          problems={[
            { path: "country", sentence: say("noSuchCountry", { typed: wrong }), remedy: say("writeCountry") },
          ]}
        />
      )}
      {places.source === "typed" && (
        <ul className="mt-2 flex flex-wrap gap-2">
          {places.shown.map((to) => (
            <li key={inWords(to, nameOf)} className="border border-base-300 px-2">
              {inWords(to, nameOf)}{" "}
              <button
                type="button"
                className="cursor-pointer px-1"
                aria-label={say("removeNamed", { name: inWords(to, nameOf) })}
                onClick={() => places.remove(to)}
              >
                ×
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
