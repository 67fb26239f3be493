import { useMemo } from "react";
import type { Amount, Figure, QuoteView } from "../api/client";
import { useBench } from "../desk/bench";
import { plain } from "../shared/money";
import { say } from "../shared/say";
import { Deliveries } from "./Deliveries";
import { Folds } from "./Folds";
import { RuleButton } from "./RuleButton";
import type { CardFrom, Choices } from "./sampleOrder";
import { TicketRow } from "./TicketRow";
import { figuresOf } from "./why";

interface Props {
  quote: QuoteView;
  /** The same order under the live edition, when it is shown beside. */
  live?: QuoteView;
  chosen: Choices;
  change: (part: Partial<Choices>) => void;
}

const lineName = (line: QuoteView["lines"][number]): string => [line.name, ...line.choices].join(", ");
const taxName = (group: QuoteView["taxes"][number], inside: boolean): string =>
  group.percent
    ? say(inside ? "levyInside" : "levyAdded", { name: group.name, percent: plain(group.percent) })
    : (untaxed[group.code] ?? say("noTax"));

/** Why nothing is levied, by the category of the invoice standard. */
const untaxed: Record<string, string> = {
  S: say("noTax"),
  Z: say("noTax"),
  E: say("exempt"),
  AE: say("buyerOwesTax"),
  K: say("noTaxSentBusinessAbroad"),
  G: say("noTaxExported"),
  O: say("outsideOfTax"),
};

/** A voucher that nobody paid for is a discount, and called what it is. */
const nameOf = (discount: { id: string; name: string }): string =>
  discount.id.startsWith("voucher:") ? say("voucherCode", { code: discount.name }) : discount.name;

/** What each row costs under the live edition, by the row's name. */
function namesOf(live: QuoteView | undefined): Map<string, string> {
  const inside = live?.prices === "with-tax";
  const rows: [string, Amount | null | undefined][] = live
    ? [
        ...live.lines.map((line): [string, Amount] => [lineName(line), line.amount]),
        ...live.discounts.map((each): [string, Amount] => [each.name, each.amount]),
        ...live.delivery
          .filter((each) => each.chosen)
          .map((each): [string, Amount | null | undefined] => ["delivery", each.price]),
        ...live.taxes.map((group): [string, Amount] => [taxName(group, inside), group.tax]),
        [say("pay"), live.payable],
      ]
    : [];
  return new Map(rows.flatMap(([name, amount]) => (amount ? [[name, amount.value]] : [])));
}

export function Slip({ quote, live, chosen, change }: Props) {
  const figure = useMemo(() => figuresOf(quote), [quote]);
  const beside = useMemo(() => (live ? namesOf(live) : undefined), [live]);
  const inside = quote.prices === "with-tax";
  const taxes = quote.taxes.map((group) => (
    <TicketRow
      key={`${group.name} ${group.category} ${group.percent} ${group.dispatch} ${group.code}`}
      name={taxName(group, inside)}
      note={say("onBase", { value: group.amount.value })}
      figure={figure(group.tax)}
      live={beside && (beside.get(taxName(group, inside)) ?? "–")}
    />
  ));
  return (
    <>
      {quote.lines.map((line, index) => (
        <TicketRow
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the basket
          key={index}
          name={lineName(line)}
          note={[
            line.bundle ? say("inBundle", { bundle: line.bundle }) : "",
            line.bundle
              ? plain(line.quantity)
              : line.quantity === "1"
                ? ""
                : `${plain(line.quantity)} × ${line.unit.value}`,
          ]
            .filter(Boolean)
            .join(", ")}
          figure={figure(line.amount)}
          live={beside && (beside.get(lineName(line)) ?? "–")}
        >
          {line.perUnit.length > 0 &&
            line.perUnit.map((each) => (
              <p key={each.name} className="flex justify-between text-xs quiet">
                <span>
                  {each.name}, {each.inside ? say("levyInside2") : say("onTop")}
                </span>
                <span className="figure">{each.amount.value}</span>
              </p>
            ))}
        </TicketRow>
      ))}
      {quote.discounts.map((discount) => (
        <TicketRow
          key={discount.id}
          name={nameOf(discount)}
          figure={figure(discount.amount)}
          minus
          live={beside && (beside.get(discount.name) ?? "–")}
        />
      ))}
      <Deliveries quote={quote} figure={figure} chosen={chosen} change={change} live={beside?.get("delivery")} />
      {quote.deliveryDiscounts.map((discount) => (
        <TicketRow key={discount.id} name={nameOf(discount)} figure={figure(discount.amount)} minus />
      ))}
      {quote.fee && <TicketRow name={say("forWayPaying")} figure={figure(quote.fee)} />}
      {quote.missing.map((sentence) => (
        <p key={sentence} className="py-1 font-semibold text-error">
          {sentence}
        </p>
      ))}
      {!inside && taxes}
      <TicketRow
        name={say("pay")}
        figure={figure(quote.payable)}
        total
        live={beside && (beside.get(say("pay")) ?? "–")}
      />
      {quote.vouchers.map((voucher) => (
        <TicketRow
          key={voucher.code}
          name={say("voucherCode", { code: voucher.code })}
          figure={figure(voucher.used)}
          minus
        />
      ))}
      {quote.rounding && <TicketRow name={say("roundedCash")} figure={figure(quote.rounding)} />}
      {quote.toPay.value !== quote.payable.value && <TicketRow name={say("leftPay")} figure={figure(quote.toPay)} />}
      {inside && taxes}
      {quote.withoutTax && (
        <p className="mt-1 text-xs quiet">
          {say("businessReads", { goods: quote.withoutTax.goods, tax: quote.tax.value })}
        </p>
      )}
      {quote.whose.map((whose) => (
        <p key={whose.sentence} className="mt-1 text-xs quiet">
          {whose.sentence} <RuleButton rule={whose.rule} />
        </p>
      ))}
      <Methods quote={quote} figure={figure} chosen={chosen} change={change} />
      {quote.costs && <Costs costs={quote.costs} figure={figure} />}
      <Folds quote={quote} />
    </>
  );
}

/** What the order costs the seller besides tax and the provider, and what of that is not known. */
function Costs({ costs, figure }: { costs: NonNullable<QuoteView["costs"]>; figure: (amount: Amount) => Figure }) {
  const borne = [
    { name: say("costOfGoods"), amount: costs.goods },
    { name: say("costOfPacking"), amount: costs.packing },
    { name: say("costOfCarrier"), amount: costs.carrier },
    { name: say("vouchersSoldInIt"), amount: costs.vouchers },
  ];
  return (
    <section aria-label={say("costsYou")} className="mt-1 text-xs">
      {borne.map(({ name, amount }) => amount && <TicketRow key={name} name={name} figure={figure(amount)} minus />)}
      {costs.uncounted.length > 0 && (
        <p className="quiet">{say("keptWithout", { parts: costs.uncounted.join(", ") })}</p>
      )}
    </section>
  );
}

/** Where the card is from, where what a provider takes goes by it. */
function CardFromChoice({ chosen, change }: Pick<Props, "chosen" | "change">) {
  const { payment } = useBench().setup;
  if (!payment.methods.some((method) => method.on && (method.fee?.eea || method.fee?.elsewhere))) return null;
  return (
    <select
      className="inplace mb-1"
      aria-label={say("cardFrom")}
      value={chosen.card}
      onChange={(event) => change({ card: event.target.value as CardFrom })}
    >
      <option value="home">{say("cardOfHome")}</option>
      <option value="eea">{say("cardOfEea")}</option>
      <option value="elsewhere">{say("cardOfElsewhere")}</option>
    </select>
  );
}

function Methods({ quote, chosen, change }: Props & { figure: (amount: Amount) => Figure }) {
  const seen = quote.methods.filter((method) => !method.hidden);
  const hidden = quote.methods.filter((method) => method.hidden);
  if (quote.methods.length === 0) return null;
  const taken = (fee: Amount | null | undefined) => (fee ? say("provider", { value: fee.value }) : "");
  return (
    <fieldset className="mt-2 border-t border-base-300 pt-2 text-xs">
      <legend className="sr-only">{say("paysBy")}</legend>
      {quote.methods.length > 0 && <CardFromChoice chosen={chosen} change={change} />}
      {seen.map((method) => (
        <label key={method.id} className="flex cursor-pointer items-baseline gap-1.5 py-0.5">
          <input
            type="radio"
            name="ticket-method"
            className="radio radio-xs translate-y-0.5"
            checked={chosen.method === method.id}
            onChange={() => change({ method: method.id })}
            onClick={() => chosen.method === method.id && change({ method: undefined })}
          />
          <span>
            {say("paysBy")} <strong>{method.title}</strong>
            {say("youKeep")}{" "}
            <span className={`font-mono ${Number(method.keep) < 0 ? "font-bold text-error" : ""}`}>{method.keep}</span>{" "}
            {say("afterTax", {
              value: quote.tax.value,
              fee: taken(method.fee),
              charge: method.charge && say("moreForIt", { value: method.charge.value }),
            })}
          </span>
        </label>
      ))}
      {hidden.map((method) => (
        <p key={method.id} className="quiet">
          {method.title || method.id}: {method.hidden}
        </p>
      ))}
    </fieldset>
  );
}
