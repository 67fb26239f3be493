import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, problemsOf } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { endings } from "../../shared/endings";
import { useNames } from "../../shared/NamedField";
import { NamedInput } from "../../shared/NamedInput";
import { named } from "../../shared/named";
import { setupPath } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

/** Other currencies buyers may pay in. */
export function Accepted() {
  const bench = useBench();
  const acts = useActs();
  const { currencies } = bench.setup.shop;
  const names = useNames("currency", "");
  const [code, setCode] = useState("");
  const change = (next: typeof currencies) => void acts.set(setupPath("shop", "currencies"), next);
  return (
    <section aria-label={say("otherCurrencies")}>
      <h2 className="text-base">{say("alsoTakes")}</h2>
      {currencies.map((accepted, index) => (
        <div key={accepted.code} className="mt-1 grid grid-cols-[4rem_1fr_auto] items-end gap-x-2">
          <span title={accepted.code} className="col-span-full">
            {named(names, accepted.code)?.name ?? accepted.code}
          </span>
          <label>
            <span className="block text-xs quiet">{say("percent")}</span>
            <input
              className="inplace w-full"
              defaultValue={accepted.percent ?? ""}
              placeholder={say("none")}
              onBlur={(event) => {
                const percent = event.target.value.trim();
                if (percent !== (accepted.percent ?? ""))
                  change(
                    currencies.map((each, at) => (at === index ? { ...each, percent: percent || undefined } : each)),
                  );
              }}
            />
          </label>
          <label>
            <span className="block text-xs quiet">{say("unitPrices")}</span>
            <select
              className="inplace w-full"
              value={accepted.ending ?? ""}
              onChange={(event) =>
                change(
                  currencies.map((each, at) =>
                    at === index ? { ...each, ending: (event.target.value || undefined) as typeof each.ending } : each,
                  ),
                )
              }
            >
              {endings.map((ending) => (
                <option key={ending.id} value={ending.id}>
                  {ending.name}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            aria-label={say("noLongerTake", { code: accepted.code })}
            onClick={() => change(currencies.filter((_, at) => at !== index))}
          >
            {say("removeIt")}
          </button>
        </div>
      ))}
      {currencies.length > 0 && <Feed />}
      <form
        className="mt-1 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (code && currencies.every((each) => each.code !== code)) change([...currencies, { code }]);
          setCode("");
        }}
      >
        <NamedInput
          key={currencies.length}
          label={say("currencyTake")}
          names={names}
          placeholder={say("currencyTake")}
          className="w-44"
          give={setCode}
        />
        <button type="submit" className="btn btn-ghost btn-xs">
          {say("take")}
        </button>
      </form>
    </section>
  );
}

/** The rates of the day that prices in other currencies are made with. */
function Feed() {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const key = ["rates", shop];
  const path = { params: { path: { shop } } };
  const rates = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/rates", path)) });
  const fetch = useMutation({
    mutationFn: () => answer(api.POST("/api/shops/{shop}/rates", path)),
    onSuccess: (fresh) => client.setQueryData(key, fresh),
  });
  const { base, day, rates: known = {} } = rates.data ?? {};
  const { currency, currencies } = setup.shop;
  const of = (code: string) => (code === base ? 1 : Number(known[code]));
  const shown = currencies
    .map(({ code }) => ({ code, rate: of(code) / of(currency) }))
    .filter(({ rate }) => Number.isFinite(rate));
  const without = currencies.filter(({ code }) => shown.every((each) => each.code !== code));
  return (
    <div className="mt-2">
      {day ? (
        <p>
          {say("oneUnitIs", { currency })}{" "}
          <span className="figure">{shown.map(({ code, rate }) => `${rate.toFixed(4)} ${code}`).join(", ")}</span>
          <span className="quiet">{say("byFeed", { day })}</span>
        </p>
      ) : (
        <p className="quiet">{say("noExchangeRatesHaveBeen")}</p>
      )}
      {day && without.length > 0 && (
        <p className="text-warning">{say("feedHasNoRateFor", { join: without.map(({ code }) => code).join(", ") })}</p>
      )}
      <Said problems={fetch.isError ? problemsOf(fetch.error) : []} />
      <TextButton disabled={fetch.isPending} onClick={() => fetch.mutate()}>
        {fetch.isPending ? say("fetching") : say("fetchRatesNow")}
      </TextButton>
    </div>
  );
}
