import type { PlacedOrder } from "../api/client";
import { money } from "../shared/money";
import { useSay } from "./phrases";

/** The vouchers an order brought: code, what is left, to whom they go, and a page to print. */
export function IssuedVouchers({ order, language }: { order: PlacedOrder; language: string }) {
  const say = useSay();
  const format = new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" });
  const day = (date: string) => format.format(new Date(`${date}T00:00:00Z`));
  const amount = (value: string) => money(value, order.quote.currency, language);
  if (order.vouchers.length === 0) return null;
  return (
    <section className="mt-4 border-s-4 border-accent ps-3" aria-label={say("yourVouchers")}>
      <h2 className="text-base">{say("yourVouchers")}</h2>
      {order.vouchers.map((voucher) => (
        <p key={voucher.code} className="flex flex-wrap items-baseline justify-between gap-x-4 py-1">
          <span>
            <span className="font-mono">{voucher.code}</span>
            <span className="block text-xs quiet">
              {voucher.ended
                ? say("voucherEnded")
                : say(voucher.left === voucher.worth ? "voucherWorth" : "voucherLeft", {
                    left: amount(voucher.left),
                    worth: amount(voucher.worth),
                    until: day(voucher.validUntil),
                  })}
              {voucher.name &&
                !voucher.ended &&
                `; ${say(voucher.told ? "voucherWent" : "voucherGoes", { name: voucher.name, day: day(voucher.on) })}`}
            </span>
          </span>
          {!voucher.ended && (
            <a className="btn btn-sm" href={voucher.url} download>
              {say("printVoucher")}
              <span className="sr-only"> {voucher.code}</span>
            </a>
          )}
        </p>
      ))}
    </section>
  );
}
