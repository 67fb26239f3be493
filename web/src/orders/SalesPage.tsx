import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, problemsOf, type Sales } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { countryName } from "../shared/places";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { deskLocale, readIn, say } from "../shared/say";
import { ImportSales } from "./ImportSales";
import { SalesPicture } from "./SalesPicture";
import { UnionSales } from "./UnionSales";

const periods = [
  { id: "day", name: say("byDay") },
  { id: "week", name: say("byWeek") },
  { id: "month", name: say("byMonth") },
  { id: "quarter", name: say("byQuarter") },
] as const;

export type PeriodId = (typeof periods)[number]["id"];

/** What a period is called: a day, the Monday of a week, a month, a quarter. */
export function named(from: string, by: PeriodId): string {
  const day = new Date(`${from}T00:00:00Z`);
  const format = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(deskLocale(), { ...options, timeZone: "UTC" }).format(day);
  if (by === "month") return format({ month: "short", year: "numeric" });
  if (by === "quarter") return `Q${Math.floor(day.getUTCMonth() / 3) + 1} ${day.getUTCFullYear()}`;
  return format({ day: "numeric", month: "short", year: "numeric" });
}

/** What was sold, by period, tax, way to pay and of delivery; as a picture, as tables, as a file. */
export function SalesPage() {
  const { shop, setup } = useBench();
  const [by, setBy] = useState<PeriodId>("month");
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [mode, setMode] = useState("");
  const query = { by, ...(from ? { from } : {}), ...(to ? { to } : {}), ...(mode ? { mode } : {}) };
  const sales = useQuery({
    queryKey: ["sales", shop, query],
    queryFn: () => answer(api.GET("/api/shops/{shop}/sales", { params: { path: { shop }, query } })),
    placeholderData: keepPreviousData,
  });
  const { data } = sales;
  const currencies = [...new Set(data?.rows.map((row) => row.currency))];
  return (
    <>
      <StationHead title={say("whatWasSold")}>
        <span>{say("salesNote")}</span>
        <Link className="underline" to={`/desk/${shop}/orders`}>
          {say("allOrders")}
        </Link>
      </StationHead>
      <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
        <label>
          <span className="block text-xs quiet">{say("salesBy")}</span>
          <select className="inplace" value={by} onChange={(event) => setBy(event.target.value as PeriodId)}>
            {periods.map((period) => (
              <option key={period.id} value={period.id}>
                {period.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-xs quiet">{say("fromDay")}</span>
          <input
            type="date"
            className="inplace"
            value={from || data?.from || ""}
            onChange={(event) => setFrom(event.target.value)}
          />
        </label>
        <label>
          <span className="block text-xs quiet">{say("toDay")}</span>
          <input
            type="date"
            className="inplace"
            value={to || data?.to || ""}
            onChange={(event) => setTo(event.target.value)}
          />
        </label>
        <label>
          <span className="block text-xs quiet">{say("ofPractice")}</span>
          <select
            className="inplace"
            value={mode || data?.mode || "live"}
            onChange={(event) => setMode(event.target.value)}
          >
            <option value="live">{say("realOnes")}</option>
            <option value="test">{say("practiceOnes")}</option>
          </select>
        </label>
        <a className="btn btn-sm" href={`/api/shops/${shop}/sales.csv?${new URLSearchParams(query)}`} download>
          {say("everyLineAsFile")}
        </a>
      </div>
      {sales.isError && <Said problems={problemsOf(sales.error)} />}
      {data?.rows.length === 0 && <p className="max-w-xl py-6 quiet">{say("nothingSoldThen")}</p>}
      {data && currencies.map((currency) => <OneCurrency key={currency} sales={data} currency={currency} by={by} />)}
      {data?.unpapered.map((each) => (
        <p key={each.currency} className="mt-4 quiet">
          {say("withoutPaper", {
            orders: each.orders,
            sum: money(each.payable, each.currency, readIn(setup.shop.language)),
          })}
        </p>
      ))}
      <UnionSales />
      <ImportSales />
    </>
  );
}

interface CurrencyProps {
  sales: Sales;
  currency: string;
  by: PeriodId;
}

function OneCurrency({ sales, currency, by }: CurrencyProps) {
  const { setup } = useBench();
  const language = readIn(setup.shop.language);
  const amount = (value: string) => money(value, currency, language);
  const mine = <T extends { currency: string }>(rows: T[]) => rows.filter((row) => row.currency === currency);
  const rows = mine(sales.rows);
  const method = (id: string) =>
    id ? (setup.payment.methods.find((each) => each.id === id)?.title ?? id) : say("withoutPayment");
  const way = (id: string) =>
    id
      ? ([...setup.delivery.options, ...setup.pickup.places].find((each) => each.id === id)?.name ?? id)
      : say("withoutDelivery");
  return (
    <section aria-label={currency} className="mb-8">
      <SalesPicture
        title={say("salesPicture", { period: periods.find((each) => each.id === by)?.name, currency })}
        bars={rows.map((row) => ({ name: named(row.from, by), value: Number(row.total), said: amount(row.total) }))}
      />
      <div className="overflow-x-auto">
        <table className="mt-3 w-full border-collapse">
          <thead>
            <tr className="border-b border-base-content text-left text-xs">
              <th className="py-1 pe-4 font-normal">{say("columnWhen")}</th>
              {[
                say("columnOrders"),
                say("columnGoods"),
                say("columnDiscounts"),
                say("columnDelivery"),
                say("columnCharges"),
                say("columnTax"),
                say("columnVouchers"),
                say("columnRefunds"),
                say("columnTotal"),
              ].map((column) => (
                <th key={column} className="py-1 ps-4 text-right font-normal">
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.from} className="border-b border-base-300">
                <td className="py-1 pe-4 whitespace-nowrap">{named(row.from, by)}</td>
                <td className="ps-4 text-right figure">{row.orders}</td>
                {[row.goods, row.discounts, row.delivery, row.charges, row.tax, row.vouchers, row.refunds].map(
                  (value, column) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: columns stand where they stand
                    <td key={column} className={`ps-4 text-right figure ${Number(value) === 0 ? "quiet" : ""}`}>
                      {amount(value)}
                    </td>
                  ),
                )}
                <td className="ps-4 text-right figure font-bold">{amount(row.total)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-5 grid gap-x-10 gap-y-5 lg:grid-cols-3">
        <Small
          title={say("taxByCountry")}
          columns={[say("columnNet"), say("columnTax")]}
          rows={mine(sales.taxes).map((row) => ({
            name: row.country ? `${countryName(row.country, language)}, ${row.code} ${row.rate} %` : say("noCountry"),
            more: amount(row.net),
            value: amount(row.tax),
          }))}
        />
        <Small
          title={say("byWayToPay")}
          columns={[say("columnOrders"), say("columnTotal")]}
          rows={mine(sales.methods).map((row) => ({
            name: method(row.key),
            more: String(row.orders),
            value: amount(row.total),
          }))}
        />
        <Small
          title={say("byWayOfDelivery")}
          columns={[say("columnOrders"), say("columnTotal")]}
          rows={mine(sales.ways).map((row) => ({
            name: way(row.key),
            more: String(row.orders),
            value: amount(row.total),
          }))}
        />
        {mine(sales.businesses).length > 0 && (
          <Small
            title={say("toBusinesses")}
            columns={["", say("columnNet")]}
            rows={mine(sales.businesses).map((row) => ({
              name: row.number || "?",
              more: row.code === "K" ? say("goodsK") : say("servicesAE"),
              value: amount(row.net),
            }))}
          />
        )}
      </div>
    </section>
  );
}

interface SmallProps {
  title: string;
  columns: [string, string];
  rows: { name: string; more: string; value: string }[];
}

function Small({ title, columns, rows }: SmallProps) {
  return (
    <table className="w-full self-start border-collapse">
      <caption className="mb-1 text-left font-head font-bold">{title}</caption>
      <thead>
        <tr className="border-b border-base-content text-xs">
          <td />
          {columns.map((column) => (
            <th key={column} scope="col" className="py-1 ps-3 text-right font-normal">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name + row.more} className="border-b border-base-300">
            <th scope="row" className="py-1 pe-3 text-left font-normal">
              {row.name}
            </th>
            <td className="py-1 ps-3 text-right figure quiet">{row.more}</td>
            <td className="py-1 ps-3 text-right figure">{row.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
