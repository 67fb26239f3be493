import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf, type Setup } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { setupPath } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

type Row = Setup["tax"]["places"][number];

/** Asking a service for the rates of a place, for those who would rather ask than type. Nothing is taken without a click. */
export function AskRates({ row }: { row: Row }) {
  const bench = useBench();
  const acts = useActs();
  const client = useQueryClient();
  const path = { params: { path: { shop: bench.shop } } };
  const key = ["tax-rates", bench.shop];
  const link = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/tax-rates/link", path)) });
  const [problems, setProblems] = useState<Problem[]>([]);
  const [found, setFound] = useState<{ name: string; text: string }[]>();
  const failed = (reason: unknown) => setProblems(problemsOf(reason));
  const connect = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const secret = String(new FormData(event.currentTarget).get("secret"));
    event.currentTarget.reset();
    answer(api.PUT("/api/shops/{shop}/tax-rates/link", { ...path, body: { secret } })).then((fresh) => {
      client.setQueryData(key, fresh);
      setProblems([]);
    }, failed);
  };
  // The first place of the row: a country, with a region or the beginning of a postcode.
  const [country = "", rest = ""] = (row.places[0] ?? "").split(/[:-]/, 2);
  const region = /^[A-Z]{2}-/.test(row.places[0] ?? "") ? (row.places[0] ?? "").split(":")[0] : undefined;
  const ask = () =>
    answer(
      api.GET("/api/shops/{shop}/tax-rates", {
        params: {
          path: { shop: bench.shop },
          query: { country, ...(region ? { region } : rest ? { postcode: rest } : {}) },
        },
      }),
    ).then((there) => {
      setProblems([]);
      setFound([
        {
          name: say("onOrdinaryGoods"),
          text:
            there.standard.length === 0
              ? "0"
              : there.standard
                  .map(({ name, percent }) => (there.standard.length > 1 ? `${name} ${percent}` : percent))
                  .join(" + "),
        },
        ...(there.reduced ? [{ name: say("reduced"), text: there.reduced }] : []),
      ]);
    }, failed);
  return (
    <section
      className="mt-4 max-w-3xl border-t border-base-300 pt-3"
      aria-label={say("ratesAskedFor", { name: row.name })}
    >
      {link.data?.connected ? (
        <p className="flex flex-wrap items-baseline gap-3">
          <button type="button" className="btn btn-sm" disabled={!country} onClick={() => void ask()}>
            {say("askRateServiceAbout", { places: row.places[0] ?? say("thisPlace") })}
          </button>
          <span className="quiet">
            {say("keyEndsWith")} <span className="font-mono">{link.data.connected.secretEndsWith}</span>
          </span>
        </p>
      ) : (
        <form className="flex items-end gap-3" onSubmit={connect}>
          <label>
            <span className="block text-xs quiet">{say("keyAccountWithTaxrateService")}</span>
            <input name="secret" type="password" className="inplace w-56 font-mono" autoComplete="off" />
          </label>
          <button type="submit" className="btn btn-sm">
            {say("checkKeep")}
          </button>
        </form>
      )}
      {found && (
        <ul className="mt-2">
          {found.map(({ name, text }) => (
            <li key={name} className="flex flex-wrap items-baseline gap-3">
              <span>
                <span className="font-mono">{text}</span> % {name}
              </span>
              {bench.setup.tax.categories.map((category) => (
                <TextButton
                  key={category.id}
                  onClick={() => void acts.set(setupPath("tax", "places", row.id, "rates", category.id), text)}
                >
                  {say("takeFor", { name: category.name })}
                </TextButton>
              ))}
            </li>
          ))}
        </ul>
      )}
      <Said problems={problems} />
    </section>
  );
}
