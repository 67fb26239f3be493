import type { ReactNode } from "react";
import type { UnionSheet } from "../api/client";
import { money } from "../shared/money";
import { countryName } from "../shared/places";
import { deskLocale, say } from "../shared/say";

const euro = (amount: string) => money(Number(amount).toFixed(2), "EUR", deskLocale());
const day = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "long", timeZone: "UTC" });

interface HeadProps {
  title: ReactNode;
  sheet: UnionSheet;
  /** What is filed together, each by its first day, the latest first. */
  spans: { first: string; name: string }[];
  spanLabel: string;
  span: string;
  choose: (first: string) => void;
  /** The address of its file. */
  file: string;
}

/** Which span is looked at, by when it is filed, and the way to its file. */
export function SchemeHead({ title, sheet, spans, spanLabel, span, choose, file }: HeadProps) {
  return (
    <div className="mt-4 flex flex-wrap items-baseline gap-x-4">
      {title}
      <select className="inplace" aria-label={spanLabel} value={span} onChange={(event) => choose(event.target.value)}>
        {spans.map(({ first, name }) => (
          <option key={first} value={first}>
            {name}
          </option>
        ))}
      </select>
      <span className="quiet">{say("dueOn", { day: day.format(new Date(sheet.due)) })}</span>
      <a className="underline" href={file} download>
        {say("asFile")}
      </a>
    </div>
  );
}

interface Props {
  sheet: UnionSheet;
  /** Held in the states goods leave from. */
  numbers?: Record<string, string>;
  /** Whether the seller is registered with the scheme, and so files an empty sheet too. */
  filed?: boolean;
}

/** What is filed with one of the Union's schemes: a row a state, state of dispatch, kind and rate. */
export function SchemeSheet({ sheet, numbers = {}, filed = true }: Props) {
  return (
    <>
      {sheet.rows.length === 0 && sheet.corrections.length === 0 ? (
        <p className="quiet">{say(filed ? "oneStopEmpty" : "oneStopNotFiled")}</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="mt-2 text-sm">
            <thead>
              <tr className="border-b border-base-content text-xs">
                <th scope="col" className="pe-4 text-start">
                  {say("stateOfConsumption")}
                </th>
                <th scope="col" className="pe-4 text-start">
                  {say("sentFromState")}
                </th>
                <th scope="col" className="pe-4 text-start">
                  {say("kindOfSupply")}
                </th>
                <th scope="col" className="px-3 text-end">
                  {say("taxRateHead")}
                </th>
                <th scope="col" className="px-3 text-end">
                  {say("taxableAmount")}
                </th>
                <th scope="col" className="ps-3 text-end">
                  {say("tax")}
                </th>
              </tr>
            </thead>
            <tbody>
              {sheet.rows.map((row) => (
                <tr key={`${row.state} ${row.from} ${row.kind} ${row.rate}`} className="border-b border-base-300">
                  <th scope="row" className="py-1 pe-4 text-start">
                    {countryName(row.state)}
                  </th>
                  <td className="pe-4">
                    {countryName(row.from)} <span className="text-xs quiet">{numbers[row.from]}</span>
                  </td>
                  <td className="pe-4">{row.kind === "goods" ? say("suppliedGoods") : say("suppliedServices")}</td>
                  <td className="figure px-3 text-end">{row.rate} %</td>
                  <td className="figure px-3 text-end">{euro(row.net)}</td>
                  <td className="figure ps-3 text-end">{euro(row.tax)}</td>
                </tr>
              ))}
              {sheet.corrections.map((each) => (
                <tr key={`${each.state} ${each.begins}`} className="border-b border-base-300">
                  <th scope="row" className="py-1 pe-4 text-start">
                    {countryName(each.state)}
                  </th>
                  <td className="pe-4" colSpan={4}>
                    {say("correctionOf", { day: day.format(new Date(each.begins)) })}
                  </td>
                  <td className="figure ps-3 text-end">{euro(each.tax)}</td>
                </tr>
              ))}
              <tr className="font-semibold">
                <th scope="row" className="py-1 pe-4 text-start" colSpan={5}>
                  {say("taxInAll")}
                </th>
                <td className="figure ps-3 text-end">{euro(sheet.tax)}</td>
              </tr>
            </tbody>
          </table>
        </div>
      )}
      {sheet.unconverted.length > 0 && (
        <p className="text-error">{say("oneStopUnconverted", { currencies: sheet.unconverted.join(", ") })}</p>
      )}
      {sheet.tooLate > 0 && <p className="quiet">{say("oneStopTooLate", { count: sheet.tooLate })}</p>}
    </>
  );
}
