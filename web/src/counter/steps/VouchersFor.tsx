import type { BuyerQuote, Counter } from "../../api/client";
import { money, plain } from "../../shared/money";
import type { Kept, VoucherFor } from "../basket";
import { useSay } from "../phrases";

type QuoteLine = BuyerQuote["lines"][number];

const nobody: VoucherFor = { other: false, name: "", email: "", on: "", message: "" };

/** Names a line of vouchers as long as it is in the basket, wherever it stands. */
export const voucherKey = (line: QuoteLine): string => [line.product, ...line.choices, Number(line.unit)].join(" ");

interface Props {
  counter: Counter;
  kept: Kept;
  change: (part: Partial<Kept>) => void;
  quote: BuyerQuote | undefined;
}

/** For whom the vouchers of the basket are: the buyer, or somebody who is written to on a day. */
export function VouchersFor({ counter, kept, change, quote }: Props) {
  const say = useSay();
  const vouchers = (quote?.lines ?? []).filter((line) => productOf(counter, line)?.kind === "voucher");
  return (
    <>
      {vouchers.map((line) => {
        const key = voucherKey(line);
        const wanted = kept.vouchers[key] ?? nobody;
        const put = (part: Partial<VoucherFor>) =>
          change({ vouchers: { ...kept.vouchers, [key]: { ...wanted, ...part } } });
        const worth = money(line.unit, quote?.currency ?? counter.currency, counter.language);
        const months = productOf(counter, line)?.validMonths ?? 60;
        return (
          <fieldset key={key} className="mb-4 border-s-2 border-base-300 ps-3">
            <legend className="font-semibold">
              {plain(line.quantity)} {line.name}, {worth}
            </legend>
            <p className="mb-2 text-xs quiet">{say("voucherValid", { months })}</p>
            {[false, true].map((other) => (
              <label key={String(other)} className="me-5 mb-2 inline-flex items-center gap-2">
                <input
                  type="radio"
                  name={`voucher ${key}`}
                  className="radio radio-sm"
                  checked={wanted.other === other}
                  onChange={() => put({ other })}
                />
                {other ? say("voucherForOther") : say("voucherForMe")}
              </label>
            ))}
            {wanted.other && (
              <>
                <Text label={say("voucherName")} value={wanted.name} write={(name) => put({ name })} />
                <Text label={say("voucherEmail")} type="email" value={wanted.email} write={(email) => put({ email })} />
                <Text
                  label={say("voucherDay")}
                  type="date"
                  optional
                  note={say("voucherAtOnce")}
                  value={wanted.on}
                  write={(on) => put({ on })}
                />
                <label className="mb-3 block">
                  <span className="mb-1 block text-xs quiet">{say("giftMessage")}</span>
                  <textarea
                    className="textarea w-full text-base"
                    rows={2}
                    maxLength={1000}
                    value={wanted.message}
                    onChange={(event) => put({ message: event.target.value })}
                  />
                </label>
              </>
            )}
          </fieldset>
        );
      })}
    </>
  );
}

const productOf = (counter: Counter, line: QuoteLine) =>
  counter.goods.products.find((each) => each.id === line.product);

/** What of it is sent with the order, by the places of the lines. */
export const vouchersOf = (kept: Kept, quote: BuyerQuote | undefined) =>
  (quote?.lines ?? []).flatMap((each, line) => {
    const wanted = kept.vouchers[voucherKey(each)];
    return wanted?.other
      ? [{ line, name: wanted.name, email: wanted.email, message: wanted.message, on: wanted.on || null }]
      : [];
  });

interface TextProps {
  label: string;
  value: string;
  write: (text: string) => void;
  type?: string;
  note?: string;
  optional?: boolean;
}

function Text({ label, value, write, type = "text", note, optional }: TextProps) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <input
        required={!optional}
        type={type}
        className="input w-full text-base"
        maxLength={200}
        autoComplete="off"
        value={value}
        onChange={(event) => write(event.target.value)}
      />
      {note && <span className="text-xs quiet">{note}</span>}
    </label>
  );
}
