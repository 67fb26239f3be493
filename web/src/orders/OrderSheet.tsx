import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { answer, api, type Paid, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useActs, useBench } from "../desk/bench";
import { isZero, money, plain } from "../shared/money";
import { Papers } from "../shared/Papers";
import { idFrom, setupPath } from "../shared/paths";
import { addressLine, countryName } from "../shared/places";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { deskLocale, readIn, say, sayCode } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { TicketRow } from "../ticket/TicketRow";
import { figuresOf } from "../ticket/why";
import { AddressChange } from "./AddressChange";
import { CallingOff } from "./CallingOff";
import { CameBack } from "./CameBack";
import { Customs } from "./Customs";
import { Disputed } from "./Disputed";
import { HandedOverFiles } from "./HandedOverFiles";
import { Letters } from "./Letters";
import { OrderVouchers } from "./OrderVouchers";
import { QuantityChange } from "./QuantityChange";
import { Refund } from "./Refund";
import { Sending } from "./Sending";
import { Surplus } from "./Surplus";
import { TakenVouchers } from "./TakenVouchers";
import { Wishes } from "./Wishes";

/** One order: its quote with every why, the buyer, the life of its payment, capture and refund. */
export function OrderSheet() {
  const { shop, setup } = useBench();
  const number = Number(useParams().number);
  // What is owed for goods sent back, taken over into the refund.
  const [owed, setOwed] = useState<Record<string, string>>();
  const client = useQueryClient();
  const key = ["order", shop, number];
  const query = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}", { params: { path: { shop, number } } })),
  });
  const order = query.data;
  if (query.isError) return <p role="alert">{problemsOf(query.error)[0]?.sentence}</p>;
  if (!order) return null;
  const fresh = (after: WholeOrder) => {
    client.setQueryData(key, after);
    void client.invalidateQueries({ queryKey: ["orders", shop] });
  };
  const when = new Intl.DateTimeFormat(readIn(setup.shop.language), {
    dateStyle: "long",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  });
  // A time on the shop's wall clock, shown as it is.
  const wall = (local: string) =>
    new Intl.DateTimeFormat(readIn(setup.shop.language), {
      dateStyle: "full",
      timeStyle: "short",
      timeZone: "UTC",
    }).format(new Date(`${local.slice(0, 16)}:00Z`));
  const figure = figuresOf(order.quote);
  const inside = order.quote.prices === "with-tax";
  const moneyCame = isZero(order.payable) || order.payments.some((paid) => !isZero(paid.captured));
  return (
    <>
      <StationHead title={say("orderNumbered", { number: order.number })}>
        {order.mode === "test" && (
          <span className="border border-dashed border-warning px-1 text-warning">{say("testNoMoneyMoved")}</span>
        )}
        <span>{say("pricedByEdition", { format: when.format(new Date(order.placedAt)), edition: order.edition })}</span>
        {order.cancelledAt && (
          <span className="border border-error px-1 text-error">
            {order.lapsed ? say("neverPaidLapsed") : say("calledOff")} {when.format(new Date(order.cancelledAt))}
          </span>
        )}
        {order.subscriptions.map((id) => (
          <Link key={id} className="underline" to={`/desk/${shop}/subscriptions/${id}`}>
            {say("chargedAgainSheet")}
          </Link>
        ))}
        <Rehearse order={order} />
        <Link className="underline" to={`/desk/${shop}/orders`}>
          {say("allOrders")}
        </Link>
      </StationHead>
      <div className="grid items-start gap-10 lg:grid-cols-[22rem_1fr]">
        <div className="bg-secondary p-5">
          <section className="ticket px-4 py-3" aria-label={say("whatWasChargedWhy")}>
            {order.quote.lines.map((line, index) => (
              <TicketRow
                // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the order
                key={index}
                name={[line.name, ...line.choices].join(", ")}
                note={line.quantity === "1" ? undefined : `${plain(line.quantity)} × ${line.unit.value}`}
                figure={figure(line.amount)}
              />
            ))}
            {order.quote.lines
              .flatMap(({ perUnit }) => perUnit.filter(({ inside }) => !inside))
              .map((levied, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: what stands on top of a line has its place
                <TicketRow key={index} name={levied.name} figure={figure(levied.amount)} />
              ))}
            {[...order.quote.discounts, ...order.quote.deliveryDiscounts].map((discount) => (
              <TicketRow key={discount.id} name={discount.name} figure={figure(discount.amount)} minus />
            ))}
            {order.quote.delivery.map(
              (option) =>
                option.chosen &&
                option.price && <TicketRow key={option.id} name={option.name} figure={figure(option.price)} />,
            )}
            {order.quote.fee && <TicketRow name={say("forWayPaying")} figure={figure(order.quote.fee)} />}
            <TicketRow
              name={order.quote.vouchers.length > 0 ? say("payable") : say("pay")}
              figure={figure(order.quote.payable)}
              total
            />
            {order.quote.vouchers.map((voucher) => (
              <TicketRow
                key={voucher.code}
                name={say("voucherCode", { code: voucher.code })}
                figure={figure(voucher.used)}
                minus
              />
            ))}
            {order.quote.taxes.map((group) => (
              <TicketRow
                key={`${group.name} ${group.category} ${group.percent}`}
                name={
                  group.percent
                    ? say(inside ? "levyInside" : "levyAdded", { name: group.name, percent: plain(group.percent) })
                    : say("noTax")
                }
                note={say("onBase", { value: group.amount.value })}
                figure={figure(group.tax)}
              />
            ))}
          </section>
          <QuantityChange shop={shop} order={order} />
        </div>
        <div>
          {order.files.length > 0 && <HandedOverFiles order={order} shop={shop} />}
          <section aria-label={say("buyer")} className="mb-6">
            <h2 className="mb-1">{say("buyer")}</h2>
            {order.takenBy && <p className="quiet">{say("takenForBuyerBy", { who: order.takenBy })}</p>}
            <p>
              {order.name} ·{" "}
              <a href={`mailto:${order.email}`} className="underline">
                {order.email}
              </a>
            </p>
            <p>
              {[...order.address.lines, order.address.city, order.address.postcode, countryName(order.address.country)]
                .filter(Boolean)
                .join(", ")}
            </p>
            <AddressChange shop={shop} order={order} />
            {order.invoice && (
              <p>
                <span className="quiet">{say("invoiceGoesTo")}</span> {addressLine(order.invoice)}
              </p>
            )}
            {order.handover && (
              <p className="mt-1 border-s-4 border-accent ps-2">
                <span className="font-semibold">
                  {order.handover.way === "collected" ? say("beCollected") : say("beBroughtRound")}
                  {[order.handover.place, ...order.handover.lines].join(", ")}
                </span>
                {order.handover.starts &&
                  `, ${wall(order.handover.starts)}${order.handover.ends ? `–${order.handover.ends.slice(11, 16)}` : ""}`}
                {order.handover.bring && (
                  <span className="block quiet">{say("bring", { bring: order.handover.bring })}</span>
                )}
              </p>
            )}
            {order.attending.map((each) => (
              <p key={each.product + each.starts} className="mt-1 border-s-4 border-accent ps-2">
                <span className="font-semibold">{say("attends")}</span> {`${plain(each.quantity)} ${each.name}`}
                {`, ${wall(each.starts)}–${each.ends.slice(11, 16)}`}
              </p>
            ))}
            {order.agreed.length > 0 && (
              <p className="text-xs quiet">
                {say("agreedEditionRead", {
                  join: order.agreed
                    .map((text) =>
                      text.kind === "age"
                        ? say("beingOrOlder", { hash: text.hash })
                        : sayCode("text", text.kind.replace(/^renewal-\d+$/, "renewal")),
                    )
                    .join(", "),
                  edition: order.edition,
                  language:
                    new Intl.DisplayNames([deskLocale()], { type: "language" }).of(order.language) ?? order.language,
                })}
              </p>
            )}
            {order.wishes.map((wish) => (
              <p key={wish.name} className="mt-1">
                <span className="quiet">{wish.name}:</span> <span className="whitespace-pre-line">{wish.text}</span>
              </p>
            ))}
            {order.answered.map((said) => (
              <p key={said} className="mt-1">
                {said}
              </p>
            ))}
            {order.leaving.length > 0 && (
              <p className="mt-1 text-sm">
                <a className="underline" href={`/api/shops/${shop}/orders/${number}/slip.pdf`}>
                  {say("slipForParcelWithoutPrices")}
                </a>
              </p>
            )}
            <Customs shop={shop} number={order.number} />
          </section>
          <Sending order={order} fresh={fresh} />
          <CameBack order={order} />
          {order.vouchers.length > 0 && <OrderVouchers order={order} shop={shop} />}
          <CallingOff order={order} fresh={fresh} />
          <Wishes order={order} fill={setOwed} />
          <Surplus order={order} />
          {moneyCame && !order.cancelledAt && <TakenVouchers order={order} />}
          {order.payments.length === 0 && <p className="quiet">{say("buyerHasNotPaidYet")}</p>}
          {order.payments.map((paid, at) => (
            <Payment
              key={paid.id}
              name={order.payments.length > 1 ? `${say("payment")} ${at + 1}` : say("payment")}
              order={order}
              paid={paid}
              owed={owed}
              fresh={fresh}
            />
          ))}
          <section aria-label={say("papers")} className="mb-6 border-t border-base-content pt-3">
            <h2 className="mb-1">{say("papers")}</h2>
            <Papers
              at={{ shop, number }}
              currency={order.currency}
              language={readIn(setup.shop.language)}
              names={{
                invoice: say("invoice"),
                credit: say("creditNote"),
                receipt: say("voucherReceipt"),
                "receipt-back": say("vouchersGivenBack"),
              }}
              fresh={order.standing + order.sent + order.payments.map((paid) => paid.refunded).join()}
            />
            <p className="mt-1 text-xs quiet">{say("invoiceIssuedByItselfWhen")}</p>
          </section>
          <section aria-label={say("letters")} className="mb-6 border-t border-base-content pt-3">
            <h2 className="mb-1">{say("letters")}</h2>
            <Letters number={number} fresh={order.standing + order.sent + order.cancelledAt} remind={order.toRemind} />
          </section>
        </div>
      </div>
    </>
  );
}

interface PaymentProps {
  /** What it is called on the page, another for each. */
  name: string;
  order: WholeOrder;
  paid: Paid;
  owed: Record<string, string> | undefined;
  fresh: (order: WholeOrder) => void;
}

function Payment({ name, order, paid, owed, fresh }: PaymentProps) {
  const { setup } = useBench();
  const { timeZone } = setup.shop;
  const language = readIn(setup.shop.language);
  const amount = (value: string) => money(value, order.currency, language);
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeStyle: "medium", timeZone });
  return (
    <section aria-label={name} className="mb-6 border-t border-base-content pt-3">
      <h2>
        {say("paidByAndState", {
          amount: amount(paid.amount),
          paid: wayOf(paid, setup.payment.methods),
          state: sayCode("standing", paid.state),
        })}
      </h2>
      {paid.reason && <p className={paid.provider ? "text-error" : "quiet"}>{paid.reason}</p>}
      <p className="quiet">
        {say("refunded", {
          provider: paid.provider ? say("captured") : say("hasCome"),
          captured: amount(paid.captured),
          refunded: amount(paid.refunded),
          lapsesAt:
            paid.lapsesAt &&
            paid.state === "authorised" &&
            say("heldUntil", { format: when.format(new Date(paid.lapsesAt)) }),
        })}
      </p>
      {paid.state === "disputed" && <Disputed order={order} until={paid.answerBy} when={when} />}
      <div className="mt-2 flex flex-wrap gap-6">
        {!isZero(paid.toCapture) && (
          <Move kind="capture" order={order} paid={paid} most={paid.toCapture} fresh={fresh} />
        )}
        {!isZero(paid.toRefund) && (
          <Refund key={JSON.stringify(owed)} order={order} paid={paid} owed={owed} fresh={fresh} />
        )}
        {paid.toVoid && <Move kind="void" order={order} paid={paid} most={paid.amount} fresh={fresh} />}
      </div>
      <ol className="mt-3 border-s-2 border-base-300 ps-4">
        {paid.life.map((step, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps are only ever added at the end
          <li key={index} className="py-1">
            <strong>{sayCode("standing", step.state)}</strong> {amount(step.amount)}
            <span className="quiet">
              {" "}
              · {when.format(new Date(step.at))} · {sayCode("actor", step.actor)}
              {step.note && ` · ${step.note}`}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function wayOf(paid: Paid, methods: { id: string; title: string }[]): string {
  return paid.part
    ? say("voucherPart", { part: paid.part })
    : (methods.find((each) => each.id === paid.method)?.title ?? paid.method);
}

const names = { capture: say("capture"), void: say("letGo") };

/** Capture, all or a part, or letting go. The key is made once, so a second click moves nothing more. */
function Move({
  kind,
  order,
  paid,
  most,
  fresh,
}: {
  kind: "capture" | "void";
  order: WholeOrder;
  paid: Paid;
  most: string;
  fresh: (order: WholeOrder) => void;
}) {
  const { shop, setup } = useBench();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  // More than is owed, typed once; typed again it came all the same.
  const [more, setMore] = useState("");
  const client = useQueryClient();
  const cameTooMuch = (amount: string) => {
    const path = { shop, number: order.number };
    return answer(
      api.POST("/api/shops/{shop}/orders/{number}/surplus", {
        params: { path },
        body: { key, payment: paid.id, amount },
      }),
    ).then(
      async () => {
        setMore("");
        setProblems([]);
        setKey(crypto.randomUUID());
        await client.invalidateQueries({ queryKey: ["surplus", shop, order.number] });
        fresh(await answer(api.GET("/api/shops/{shop}/orders/{number}", { params: { path } })));
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const move = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const amount = String(new FormData(event.currentTarget).get("amount") ?? most).trim();
    if (kind === "capture" && !paid.provider && !paid.part && Number(amount) > Number(most) && amount !== more) {
      setMore(amount);
      return;
    }
    if (more && amount === more) {
      await cameTooMuch(amount);
      return;
    }
    const body = { key, amount, payment: paid.id, parts: {} };
    const params = { path: { shop, number: order.number } };
    const call =
      kind === "capture"
        ? api.POST("/api/shops/{shop}/orders/{number}/capture", { params, body })
        : api.POST("/api/shops/{shop}/orders/{number}/void", { params, body });
    await answer(call).then(
      (after) => {
        setProblems([]);
        setKey(crypto.randomUUID());
        fresh(after);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <form onSubmit={move} className="max-w-xs">
      <div className="join">
        {kind !== "void" && (
          <input
            name="amount"
            key={most}
            defaultValue={most}
            aria-label={say("amountTo", {
              kind,
              currency: order.currency,
              part: paid.part && say("ofPart", { part: paid.part }),
            })}
            className="input input-sm join-item w-28 figure"
            inputMode="decimal"
          />
        )}
        <button type="submit" className={`btn btn-sm join-item ${kind === "capture" ? "btn-primary" : ""}`}>
          {kind === "capture" && !paid.provider ? say("moneyHasCome") : names[kind]}
        </button>
      </div>
      {more && (
        <p role="alert" className="text-warning">
          {say("moreThanOwed", { most: money(most, order.currency, readIn(setup.shop.language)) })}
        </p>
      )}
      <Said problems={problems} />
    </form>
  );
}

/** Makes an order taken a basket of the rehearsal, without who bought it. */
function Rehearse({ order }: { order: WholeOrder }) {
  const { shop, setup } = useBench();
  const acts = useActs();
  const navigate = useNavigate();
  const rehearse = async () => {
    const name = say("orderNumbered", { number: order.number });
    const id = idFrom(
      name,
      setup.rehearsal.baskets.map((basket) => basket.id),
    );
    const chosen = order.quote.delivery.find((option) => option.chosen);
    const made = await acts.set(setupPath("rehearsal", "baskets", id), {
      id,
      name,
      buyer: "person",
      order: {
        lines: order.lines,
        to: order.to,
        codes: [],
        deliveries: {},
        ...(chosen ? { delivery: chosen.id } : {}),
        ...(order.currency === setup.shop.currency ? {} : { currency: order.currency }),
      },
    });
    if (made) void navigate(`/desk/${shop}/rehearsal`);
  };
  return <TextButton onClick={() => void rehearse()}>{say("rehearseOrder")}</TextButton>;
}
