import type { BuyerQuote, Counter } from "../api/client";
import { isZero, money, plain } from "../shared/money";
import { useSay } from "./phrases";

interface Props {
  counter: Pick<Counter, "language">;
  quote: BuyerQuote;
  /** The total of the basket before, because the present one cannot be priced yet. */
  stale?: boolean;
}

/** What is in the total, in a few lines. */
export function Summary({ counter, quote, stale }: Props) {
  const say = useSay();
  const amount = (value: string) => money(value, quote.currency, counter.language);
  const chosen = quote.delivery.find((option) => option.chosen);
  const things = quote.lines.map((line) => `${plain(line.quantity)} ${line.name}`).join(", ");
  const inside = quote.prices === "with-tax";
  const open = quote.beforeAddress;
  const without = open && withoutWhat(quote.needsDelivery, !inside);
  return (
    <div aria-live="polite">
      <Row name={things} value={amount(quote.goods)} clamp />
      {quote.discounts.map((discount) => (
        <Row key={discount.name} name={discount.name} value={`−${amount(discount.amount)}`} />
      ))}
      <PerUnits quote={quote} amount={amount} />
      {chosen && <Row name={chosen.name} value={isZero(chosen.price) ? say("free") : amount(chosen.price)} />}
      {!chosen &&
        quote.apart.map((sent) => {
          const own = sent.delivery.find((option) => option.chosen);
          return (
            own && (
              <Row
                key={sent.dispatch}
                name={say("fromPlace", { name: own.name, place: sent.name })}
                value={isZero(own.price) ? say("free") : amount(own.price)}
              />
            )
          );
        })}
      {open && quote.needsDelivery && <Row name={say("delivery")} value={say("withAddress")} words />}
      {quote.fee && <Row name={say("forWay")} value={amount(quote.fee)} />}
      {!inside && <Row name={say("tax")} value={open ? say("withAddress") : amount(quote.tax)} words={open} />}
      <div className="mt-1.5 flex items-baseline justify-between border-t-2 border-base-content pt-1.5">
        <span className="font-head text-lg font-bold">{say("total")}</span>
        <span className="figure text-2xl font-bold" data-total={quote.payable}>
          {amount(quote.payable)}
        </span>
      </div>
      {quote.vouchers.map((voucher) => (
        <Row key={voucher.code} name={say("voucher", { code: voucher.code })} value={`−${amount(voucher.used)}`} />
      ))}
      {quote.rounding && <Row name={say("rounded")} value={amount(quote.rounding)} />}
      {quote.toPay !== quote.payable && (
        <div className="flex justify-between gap-4 font-semibold">
          <span>{say("toPay")}</span>
          <span className="figure">{amount(quote.toPay)}</span>
        </div>
      )}
      {(open ? [] : quote.whose).map((sentence) => (
        <p key={sentence} className="text-xs quiet">
          {sentence}
        </p>
      ))}
      {stale && <p className="text-xs text-error">{say("beforeLast")}</p>}
      {without && <p className="text-xs quiet">{say(without)}</p>}
      {!open && quote.taxes.length > 0 && (
        <p className="text-xs quiet">
          {say(inside ? "taxInside" : "taxAdded", {
            taxes: quote.taxes
              .map((levy) => `${say.levy(levy.name, plain(levy.percent))} ${amount(levy.tax)}`)
              .join(" · "),
          })}
        </p>
      )}
    </div>
  );
}

/** What belongs to units, such as a deposit: on top, or in their price already. */
function PerUnits({ quote, amount }: { quote: BuyerQuote; amount: (value: string) => string }) {
  const say = useSay();
  return quote.perUnit.map(({ name, inside, amount: value }) => (
    <Row
      key={`${name} ${inside}`}
      name={inside ? say("ofThatIs", { name }) : name}
      value={amount(value)}
      quiet={inside}
    />
  ));
}

/** What of it comes with the address. */
function withoutWhat(delivery: boolean, tax: boolean) {
  if (delivery) return tax ? "totalWithoutBoth" : "totalWithoutDelivery";
  return tax ? "totalWithoutTax" : undefined;
}

interface RowProps {
  name: string;
  value: string;
  clamp?: boolean;
  /** Whether it says something instead of an amount. */
  words?: boolean;
  quiet?: boolean;
}

function Row({ name, value, clamp = false, words = false, quiet = false }: RowProps) {
  return (
    <div className={`flex justify-between gap-4 ${quiet ? "text-xs quiet" : ""}`}>
      <span className={clamp ? "line-clamp-2" : ""}>{name}</span>
      <span className={words ? "" : "figure"}>{value}</span>
    </div>
  );
}
