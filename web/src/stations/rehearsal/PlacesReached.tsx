import { useQuery } from "@tanstack/react-query";
import { type FormEvent, lazy, Suspense, useMemo, useState } from "react";
import { answer, api, type Destination, problemsOf, type Reached } from "../../api/client";
import { useBench, useMarks } from "../../desk/bench";
import { money } from "../../shared/money";
import { countriesIn, named } from "../../shared/named";
import { usePlaceNames, useRegions } from "../../shared/PlacesField";
import { countryName, inWords } from "../../shared/places";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { samePlace } from "./figures";
import { fillAt, type Stop, says, shadeFor, stepsOf } from "./shades";

const WorldMap = lazy(() => import("../../shared/WorldMap"));
const RegionMap = lazy(() => import("./RegionMap"));

/** All sample orders as one; no id is written so. */
const ALL = "*";

/** Countries whose regions there is a map of. */
const MAPPED = ["US"];

/** Every place sold to for one sample order: as a map, as a table, and any place typed. */
export function PlacesReached() {
  const { shop, draft, setup } = useBench();
  const marks = useMarks();
  const { baskets } = setup.rehearsal;
  const [chosen, setChosen] = useState<string>();
  const [country, setCountry] = useState<string>();
  const [typed, setTyped] = useState<Destination>();
  const all = chosen === ALL;
  // Amounts of several currencies make no sum.
  const own = baskets.filter(({ order }) => (order.currency ?? setup.shop.currency) === setup.shop.currency).length;
  const basket = baskets.find(({ id }) => id === chosen)?.id ?? baskets[0]?.id;
  const asked = (places: Destination[], name: string) => ({
    queryKey: ["reach", shop, draft.version, all, basket, name, places],
    queryFn: () =>
      answer(
        api.POST("/api/shops/{shop}/reach", {
          params: { path: { shop } },
          body: { ...(all ? { all } : basket ? { basket } : {}), places },
        }),
      ),
    enabled: basket !== undefined,
    placeholderData: (before: Reached | undefined) => before,
  });
  const world = useQuery(asked([], "world"));
  const regions = useRegions(country ? `${country}-` : "none");
  const places = useMemo(() => regions.map(({ id }) => ({ country: id.slice(0, 2), region: id })), [regions]);
  const inside = useQuery({ ...asked(places, "inside"), enabled: basket !== undefined && places.length > 0 });
  const one = useQuery({ ...asked(typed ? [typed] : [], "one"), enabled: basket !== undefined && typed !== undefined });
  if (world.error != null)
    return (
      <>
        <Said problems={problemsOf(world.error)} />
        <TextButton onClick={() => setChosen(undefined)}>{baskets[0]?.name}</TextButton>
      </>
    );
  if (!basket || !world.data) return null;
  const { stops, currency } = world.data;
  const steps = stepsOf(stops);
  const show = (to: Destination) => marks.showOrder(basket, to);
  const open = (code: string) => {
    setCountry(code);
    show({ country: code });
  };
  const whole = (code: string) => stops.find(({ to }) => to.country === code && !to.region && !to.postcode);
  const shadeOf = (stop: Stop | undefined) => shadeFor(stop, steps, currency);
  const regionStops = country ? (inside.data?.stops ?? []).filter(({ to }) => to.country === country) : [];
  const partsOf = (code: string) => stops.filter(({ to }) => to.country === code && (to.region || to.postcode));
  const rows = country ? [...stops.filter(({ to }) => to.country === country), ...regionStops] : stops;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <label>
          <span className="text-xs quiet">{say("reachOf")} </span>
          <select className="inplace" value={all ? ALL : basket} onChange={(event) => setChosen(event.target.value)}>
            {baskets.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            {own > 1 && <option value={ALL}>{say("reachOfAll", { count: own, left: baskets.length - own })}</option>}
          </select>
        </label>
        <Asked ask={setTyped} />
      </div>
      {typed && one.data && (
        <p className="mt-2" role="status">
          {say("priceThere", { place: placed(typed) })}{" "}
          {one.data.stops.map((stop) => (
            <span key={placed(stop.to)} className={stop.cell.hole ? "text-error" : "font-semibold"}>
              {stop.cell.hole ?? says(stop, currency)}{" "}
              <TextButton onClick={() => show(stop.to)}>{say("putOnTicket")}</TextButton>
            </span>
          ))}
        </p>
      )}
      <Suspense fallback={<p className="py-10 text-center quiet">{say("unfoldingMap")}</p>}>
        <div className="mx-auto max-w-3xl">
          {country && MAPPED.includes(country) && regionStops.length > 0 ? (
            <RegionMap
              label={countryName(country)}
              pick={(region) => show({ country, region })}
              shadeOf={(region) => shadeOf(regionStops.find(({ to }) => to.region === region))}
            />
          ) : (
            <WorldMap label={say("reachMapSays")} pick={open} shadeOf={(code) => shadeOf(whole(code))} />
          )}
        </div>
      </Suspense>
      <p className="flex flex-wrap items-center gap-x-4 text-xs">
        {steps.map((from, at) => (
          <span key={from} className="flex items-center gap-1.5">
            <span
              className="inline-block size-3 border border-base-300"
              style={{ background: fillAt(at, steps.length) }}
            />
            {say("fromAmount", { amount: money(from.toFixed(2), currency, deskLocale()) })}
          </span>
        ))}
        <span className="flex items-center gap-1.5">
          <span className="hatch inline-block size-3 border border-base-300" /> {say("notToBeHad")}
        </span>
        <span className="flex items-center gap-1.5">
          <span className="inline-block size-3 border-2 border-error" /> {say("heldTwice")}
        </span>
      </p>
      {country && (
        <p className="mt-2">
          <strong>{countryName(country)}</strong>{" "}
          {partsOf(country).length > 0 && <span className="quiet">{say("countryHasParts")}</span>}{" "}
          <TextButton onClick={() => setCountry(undefined)}>{say("allCountries")}</TextButton>
        </p>
      )}
      <ReachTable rows={rows} currency={currency} show={show} partsOf={country ? undefined : partsOf} open={open} />
    </>
  );
}

const placed = (to: Destination): string =>
  [to.postcode, to.region, countryName(to.country)].filter(Boolean).join(", ");

/** Whether a buyer somewhere would see a price. */
function Asked({ ask }: { ask: (to: Destination) => void }) {
  const countries = useMemo(() => countriesIn(deskLocale()), []);
  const [wrong, setWrong] = useState("");
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const country = String(form.get("country")).trim();
    const known = named(countries, country);
    setWrong(known ? "" : country);
    const postcode = String(form.get("postcode")).trim();
    if (known) ask({ country: known.id, ...(postcode ? { postcode } : {}) });
  };
  return (
    <form className="flex flex-wrap items-baseline gap-2" onSubmit={submit}>
      <span className="text-xs quiet">{say("wouldBuyerSeePrice")}</span>
      <input
        name="country"
        className="inplace w-36"
        placeholder={say("country")}
        aria-label={say("country")}
        required
      />
      <input name="postcode" className="inplace w-24" placeholder={say("postcode")} aria-label={say("postcode")} />
      <button type="submit" className="btn btn-sm">
        {say("ask")}
      </button>
      {wrong && (
        <Said
          problems={[
            { path: "country", sentence: say("noSuchCountry", { typed: wrong }), remedy: say("writeCountry") },
          ]}
        />
      )}
    </form>
  );
}

interface TableProps {
  rows: Stop[];
  currency: string;
  show: (to: Destination) => void;
  partsOf: ((country: string) => Stop[]) | undefined;
  open: (country: string) => void;
}

/** The places in words: what it costs there, how it gets there, whose tax it bears, which zone and why that one. */
function ReachTable({ rows, currency, show, partsOf, open }: TableProps) {
  const { nameOf } = usePlaceNames();
  const shown = partsOf ? rows.filter(({ to }) => !to.region && !to.postcode) : rows;
  return (
    <div className="mt-2 max-h-96 overflow-auto">
      <table className="w-full text-sm">
        <thead className="sticky top-0 bg-base-100">
          <tr className="border-b border-base-content text-xs">
            {[say("place"), say("figureToPay"), say("figureDelivery"), say("figureArrival")].map((head, at) => (
              <th key={head} scope="col" className={`py-1 pe-3 ${at === 0 ? "text-start" : "text-end"}`}>
                {head}
              </th>
            ))}
            {[say("headZone"), say("tax")].map((head) => (
              <th key={head} scope="col" className="py-1 ps-3 text-start">
                {head}
              </th>
            ))}
            <th scope="col" className="ps-3 text-end">
              {say("figureWays")}
            </th>
          </tr>
        </thead>
        <tbody>
          {shown
            .filter((stop, at) => shown.findIndex((each) => samePlace(each.to, stop.to)) === at)
            .map((stop) => (
              <tr key={inWords(stop.to, nameOf)} className="border-b border-base-300 align-baseline">
                <th scope="row" className="py-1 pe-3 text-start font-semibold">
                  <button
                    type="button"
                    className="cursor-pointer text-start underline underline-offset-2"
                    onClick={() => show(stop.to)}
                  >
                    {inWords(stop.to, nameOf)}
                  </button>{" "}
                  {partsOf && partsOf(stop.to.country).length > 0 && (
                    <TextButton onClick={() => open(stop.to.country)}>
                      {say("partsOfCountry", { count: partsOf(stop.to.country).length })}
                    </TextButton>
                  )}
                </th>
                {stop.cell.hole ? (
                  <td colSpan={3} className="pe-3 text-error">
                    {stop.cell.hole}
                  </td>
                ) : (
                  <>
                    <td className="figure pe-3 text-end">
                      {stop.cell.toPay && money(stop.cell.toPay, currency, deskLocale())}
                    </td>
                    <td className="pe-3 text-end">
                      {stop.option} <span className="figure">{stop.cell.delivery}</span>
                    </td>
                    <td className="pe-3 text-end">
                      {stop.cell.days == null ? "–" : say("daysShort", { days: stop.cell.days })}
                    </td>
                  </>
                )}
                <td className="ps-3">
                  {stop.zone ?? "–"}
                  {stop.by && stop.zone !== nameOf(stop.by) && (
                    <span className="block text-xs quiet">{say("heldBy", { place: nameOf(stop.by) })}</span>
                  )}
                  {stop.undecided.length > 0 && <span className="block text-xs text-error">{say("heldTwice")}</span>}
                </td>
                <td className="max-w-60 ps-3 text-xs">
                  {stop.cell.tax && <span className="figure">{stop.cell.tax} </span>}
                  {stop.whose.join(" ")}
                </td>
                <td className="figure ps-3 text-end">{stop.cell.ways.length}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}
