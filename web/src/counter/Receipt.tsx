import { useEffect, useRef } from "react";
import { Link } from "react-router";
import type { Counter, PlacedOrder } from "../api/client";
import { money, plain } from "../shared/money";
import { Papers } from "../shared/Papers";
import { addressLine } from "../shared/places";
import { sizeOf } from "../shared/sizes";
import { CallOff } from "./CallOff";
import { IssuedVouchers } from "./IssuedVouchers";
import { siteName } from "./otherSite";
import { type Say, useSay } from "./phrases";
import { arrives, hoursOf } from "./promise";
import { SendBack } from "./SendBack";
import { TransferSlip } from "./TransferSlip";

export const paperNames = (say: Say) => ({
  invoice: say("invoice"),
  credit: say("credit"),
  receipt: say("receiptOfVouchers"),
  "receipt-back": say("vouchersGivenBack"),
});

/** Where and when it is collected or brought, and what to bring; or where it goes. */
function WhereTo({ order }: { order: PlacedOrder }) {
  const say = useSay();
  const { handover, address } = order;
  const promise = order.quote.delivery.find((option) => option.chosen)?.promise;
  // Wall-clock times of the shop are shown as they are, whatever zone the buyer's phone is in.
  const at = (wall: string) => new Date(`${wall.slice(0, 16)}:00Z`);
  const day = new Intl.DateTimeFormat(order.language, {
    weekday: "long",
    day: "numeric",
    month: "long",
    timeZone: "UTC",
  });
  const time = new Intl.DateTimeFormat(order.language, { timeStyle: "short", timeZone: "UTC" });
  if (!order.quote.needsDelivery) return null;
  if (!handover)
    return (
      <p className="mb-4">
        {order.invoice && (
          <span className="mb-2 block">
            <span className="block text-xs quiet">{say("invoiceGoesTo")}</span>
            {addressLine(order.invoice, order.language)}
          </span>
        )}
        <span className="block text-xs quiet">{say("goesTo")}</span>
        {[order.receiver ?? order.name, ...address.lines, `${address.postcode} ${address.city}`.trim()]
          .filter(Boolean)
          .join(", ")}
        {order.sent === "no" && promise && (
          <span className="mt-1 block font-semibold">{arrives(promise, order.language, say)}</span>
        )}
      </p>
    );
  return (
    <section className="mb-4 border-s-4 border-accent ps-3" aria-label={handover.place}>
      <p className="text-xs quiet">{handedOver(order, say)}</p>
      <p className="font-semibold">{[handover.place, ...handover.lines].join(", ")}</p>
      {handover.starts && (
        <p>
          {say("slot", {
            day: day.format(at(handover.starts)),
            from: time.format(at(handover.starts)),
            to: handover.ends ? time.format(at(handover.ends)) : "",
          })}
        </p>
      )}
      {handover.bring && (
        <p>
          {say("toBring")}: {handover.bring}
        </p>
      )}
      {handover.contact && <p>{handover.contact}</p>}
    </section>
  );
}

/** What takes place on a day, when and where. */
function Attending({ order }: { order: PlacedOrder }) {
  const say = useSay();
  return order.attending.map((each) => (
    <section key={each.product + each.starts} className="mb-4 border-s-4 border-accent ps-3" aria-label={each.name}>
      <p className="text-xs quiet">{say("takesPlace")}</p>
      <p className="font-semibold">{`${plain(each.quantity)} ${each.name}`}</p>
      <p>{hoursOf(each, order.language)}</p>
      {each.where.length > 0 && <p>{each.where.join(", ")}</p>}
    </section>
  ));
}

/** Each parcel that has left, what is in it and where it is; and what is still to come. */
function Parcels({ order }: { order: PlacedOrder }) {
  const say = useSay();
  if (order.handover || order.parcels.length === 0) return null;
  const day = new Intl.DateTimeFormat(order.language, { day: "numeric", month: "long" });
  return (
    <section className="mb-4 border-s-4 border-accent ps-3" aria-label={say("parcels")}>
      <h2 className="text-base">{order.sent === "all" ? say("sentAll") : say("sentPart")}</h2>
      {order.parcels.map((parcel) => (
        <p key={parcel.at} className="py-1">
          {day.format(new Date(parcel.at))}: {say.list(parcel.things)}
          {(parcel.carrier || parcel.number) && (
            <span className="block">
              {parcel.carrier} <span className="font-mono">{parcel.number}</span>{" "}
              {parcel.link && (
                <a className="underline" href={parcel.link} target="_blank" rel="noreferrer">
                  {say("followParcel")}
                </a>
              )}
            </span>
          )}
        </p>
      ))}
      {order.toCome.length > 0 && (
        <p className="py-1 font-semibold">{say("stillToCome", { things: say.list(order.toCome) })}</p>
      )}
    </section>
  );
}

function handedOver({ handover, sent, ready }: PlacedOrder, say: Say): string {
  if (handover?.way === "collected")
    return sent === "all" ? say("collected") : ready ? say("isReady") : say("toCollect");
  return sent === "all" ? say("brought") : say("broughtRound");
}

/** What the last row of the receipt says of the money. */
function paidHow({ kind, state, standing }: PlacedOrder, say: Say): string {
  if (standing === "paid in part") return kind === "transfer" ? say("toTransferPart") : say("paidInPart");
  if (kind === "card" && state === "authorised") return say("heldOnCard");
  if (state === "captured" || state === "refunded") return kind === "card" ? say("paidByCard") : say("paid");
  switch (kind) {
    case "transfer":
      return say("toTransfer");
    case "cash-on-delivery":
      return say("atDoor");
    case "cash-at-pickup":
      return say("whenCollected");
    case "cheque":
      return say("byCheque");
    case "on-account":
      return say("onAccount");
    case "card":
      return say("paidByCard");
    default:
      return say("paid");
  }
}

interface ReceiptProps {
  counter: Counter;
  order: PlacedOrder;
  fresh: (order: PlacedOrder) => void;
}

/** An order that is paid, or waits for money that comes by itself. */
export function Receipt({ counter, order, fresh }: ReceiptProps) {
  const say = useSay();
  const { quote } = order;
  const amount = (value: string) => money(value, quote.currency, counter.language);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const delivery = quote.delivery.find((option) => option.chosen);
  return (
    <div className="mx-auto max-w-lg">
      <h1 ref={heading} tabIndex={-1} className="text-2xl outline-none">
        {say("done", { name: order.name })}
      </h1>
      <p className="mb-4">
        {say("orderNumber", { number: order.number })}
        {order.test && (
          <span className="ms-2 border border-dashed border-warning px-1 text-warning">{say("test")}</span>
        )}
      </p>
      {order.reference && <p className="-mt-3 mb-4">{say("yourOrderNumberIs", { number: order.reference })}</p>}
      {order.answered.map((said) => (
        <p key={said} className="mb-1">
          {said}
        </p>
      ))}
      <WhereTo order={order} />
      <Attending order={order} />
      <Parcels order={order} />
      {order.slip && <TransferSlip slip={order.slip} language={counter.language} until={order.keptUntil} />}
      <section className="ticket px-5 py-4" aria-label={say("receipt")}>
        {quote.lines.map((line) => (
          <Row
            key={`${line.product} ${line.choices.join()}`}
            name={`${plain(line.quantity)} ${[line.name, ...line.choices].join(", ")}`}
            value={amount(line.amount)}
          />
        ))}
        {quote.discounts.map((discount) => (
          <Row key={discount.name} name={discount.name} value={`−${amount(discount.amount)}`} />
        ))}
        {quote.perUnit.map(({ name, inside, amount: value }) => (
          <Row
            key={`${name} ${inside}`}
            name={inside ? say("ofThatIs", { name }) : name}
            value={amount(value)}
            quiet={inside}
          />
        ))}
        {delivery && <Row name={delivery.name} value={amount(delivery.price)} />}
        {quote.fee && <Row name={say("forWay")} value={amount(quote.fee)} />}
        {quote.prices === "without-tax" &&
          quote.taxes.map((levy) => (
            <Row
              key={levy.name + levy.percent + levy.tax}
              name={say.levy(levy.name, plain(levy.percent))}
              value={amount(levy.tax)}
            />
          ))}
        {quote.vouchers.map((voucher) => (
          <Row key={voucher.code} name={say("voucher", { code: voucher.code })} value={`−${amount(voucher.used)}`} />
        ))}
        {quote.rounding && <Row name={say("rounded")} value={amount(quote.rounding)} />}
        {order.surplus && <p className="my-1">{say("cameTooMuch", { amount: amount(order.surplus) })}</p>}
        {order.inPart && <Row name={say("hasComeAlready")} value={`−${amount(order.inPart.came)}`} />}
        <div className="my-2 flex items-baseline justify-between border-y-2 border-base-content py-2">
          <span className="font-head text-lg font-bold">{paidHow(order, say)}</span>
          <span className="figure text-2xl font-bold" data-total={quote.payable}>
            {amount(order.inPart?.left ?? quote.toPay)}
          </span>
        </div>
        {quote.prices === "with-tax" &&
          quote.taxes.map((levy) => (
            <Row
              key={levy.name + levy.percent + levy.tax}
              name={say("taxInsideRow", {
                name: say.known("levies", levy.name) ?? levy.name,
                percent: plain(levy.percent),
              })}
              value={amount(levy.tax)}
              quiet
            />
          ))}
      </section>
      <IssuedVouchers order={order} language={counter.language} />
      {order.downloads.length > 0 && <Files order={order} language={counter.language} />}
      {order.subscriptions.map((subscription) => (
        <p key={subscription.token} className="mt-4 border-s-4 border-accent ps-3">
          {subscription.name}:{" "}
          <Link className="underline" to={`/counter/${counter.shop}/subscription/${subscription.token}`}>
            {say("toSubscription")}
          </Link>
        </p>
      ))}
      <p className="mt-3">
        {order.site && (
          <a className="btn btn-primary mb-3 w-full" href={order.site} target="_top">
            {say("backTo", { site: siteName(order.site) })}
          </a>
        )}
        <a className="underline" href={`/api/counter/orders/${order.token}/receipt.pdf`} download>
          {say("receiptPdf")}
        </a>
      </p>
      <div className="mt-4">
        <Papers
          at={{ token: order.token }}
          currency={quote.currency}
          language={counter.language}
          fresh={order.standing}
          names={paperNames(say)}
        />
      </div>
      <CallOff order={order} language={counter.language} fresh={fresh} />
      <SendBack order={order} language={counter.language} />
    </div>
  );
}

/** The files of an order: to be fetched, not yet, or no longer. */
function Files({ order, language }: { order: PlacedOrder; language: string }) {
  const say = useSay();
  const format = new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" });
  const day = (date: string) => format.format(new Date(`${date}T00:00:00Z`));
  return (
    <section className="mt-4 border-s-4 border-accent ps-3" aria-label={say("yourFiles")}>
      <h2 className="text-base">{say("yourFiles")}</h2>
      {order.downloads.map((file) => (
        <p key={file.name} className="flex flex-wrap items-baseline justify-between gap-x-4 py-1">
          <span>
            {file.name} {file.bytes != null && <span className="quiet">{sizeOf(file.bytes, language)}</span>}
            <span className="block text-xs quiet">
              {file.url
                ? say("fileLeft", { left: file.left, until: day(file.until) })
                : file.left > 0
                  ? say("fileFrom", { from: day(file.from) })
                  : say("fileOver")}
            </span>
          </span>
          {file.url && (
            <a className="btn btn-sm" href={file.url}>
              {say("fetchFile")}
              <span className="sr-only"> {file.name}</span>
            </a>
          )}
        </p>
      ))}
    </section>
  );
}

function Row({ name, value, quiet = false }: { name: string; value: string; quiet?: boolean }) {
  return (
    <div className={`flex justify-between gap-4 py-0.5 ${quiet ? "text-sm quiet" : ""}`}>
      <span>{name}</span>
      <span className="figure">{value}</span>
    </div>
  );
}
