import { useEffect, useMemo, useState } from "react";
import type { Amount, Destination, Figure, QuoteView } from "../api/client";
import { useBench } from "../desk/bench";
import { plain } from "../shared/money";
import { countryName, inWords } from "../shared/places";
import { Said } from "../shared/Said";
import { TicketRow } from "./TicketRow";
import { useTicket } from "./useTicket";
import { figuresOf } from "./why";

/** The ticket: a sample order, priced under the draft at every keystroke, beside whatever is being edited. */
export function TicketPane({ close }: { close: () => void }) {
  const bench = useBench();
  const baskets = bench.setup.rehearsal.baskets;
  const [chosen, setChosen] = useState(0);
  const [elsewhere, setElsewhere] = useState<Destination>();
  const [delivery, setDelivery] = useState<string>();
  const [codes, setCodes] = useState<string[]>([]);
  const basket = baskets[Math.min(chosen, baskets.length - 1)];
  const to = elsewhere ?? basket?.to ?? { country: bench.setup.shop.address.country };
  const { ticket, problems } = useTicket({ lines: basket?.lines ?? [], to, codes, ...(delivery ? { delivery } : {}) });

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as HTMLElement).matches("input, select, textarea")) return;
      if (event.key === "[") setChosen((now) => (now + baskets.length - 1) % baskets.length);
      if (event.key === "]") setChosen((now) => (now + 1) % baskets.length);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [baskets.length]);

  if (!basket) return <FirstBasket />;
  const quote = ticket?.quote;
  return (
    <>
      <div className="grid grid-cols-[4rem_1fr_auto] items-center gap-y-1">
        <label htmlFor="ticket-basket" className="quiet">
          basket
        </label>
        <select
          id="ticket-basket"
          className="inplace font-semibold lg:col-span-2"
          value={chosen}
          onChange={(event) => setChosen(Number(event.target.value))}
        >
          {baskets.map((each, index) => (
            <option key={each.id} value={index}>
              {each.name}
            </option>
          ))}
        </select>
        <button type="button" className="btn btn-ghost btn-xs lg:hidden" onClick={close}>
          Close
        </button>
        <span className="quiet">to</span>
        <PlaceChoice to={to} choose={setElsewhere} changed={elsewhere !== undefined} />
        <label htmlFor="ticket-codes" className="quiet">
          codes
        </label>
        <input
          id="ticket-codes"
          className="inplace col-span-2"
          placeholder="none"
          onChange={(event) => setCodes(event.target.value.split(/[\s,]+/).filter(Boolean))}
        />
      </div>
      <section className="ticket mt-4 px-4 py-3" aria-label="Priced order" aria-live="polite">
        <Said problems={problems} />
        {quote && <Slip quote={quote} choose={setDelivery} />}
      </section>
      {quote && ticket?.live && ticket.live !== quote.payable.value && (
        <p className="mt-3">
          Live it costs <span className="figure">{ticket.live}</span>, in the draft{" "}
          <span className="figure">{quote.payable.value}</span>.
        </p>
      )}
    </>
  );
}

function Slip({ quote, choose }: { quote: QuoteView; choose: (option: string) => void }) {
  const figure = useMemo(() => figuresOf(quote), [quote]);
  const offered = quote.delivery.filter((option) => option.price);
  const chosen = offered.find((option) => option.chosen);
  const not = quote.delivery.filter((option) => option.reason);
  return (
    <>
      {quote.lines.map((line, index) => (
        <TicketRow
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the basket
          key={index}
          name={[line.name, ...line.choices].join(", ")}
          note={line.quantity === "1" ? undefined : `${plain(line.quantity)} × ${line.unit.value}`}
          figure={figure(line.amount)}
        />
      ))}
      {quote.discounts.map((discount) => (
        <TicketRow key={discount.id} name={discount.name} figure={figure(discount.amount)} minus />
      ))}
      {chosen?.price && (
        <TicketRow
          name={chosen.name}
          note={offered.length > 1 ? undefined : chosen.sentence}
          figure={figure(chosen.price)}
        >
          {offered.length > 1 && (
            <p className="text-xs quiet">
              instead:{" "}
              {offered
                .filter((option) => option !== chosen)
                .map((option) => (
                  <button
                    key={option.id}
                    type="button"
                    className="me-3 cursor-pointer underline decoration-dotted"
                    onClick={() => choose(option.id)}
                  >
                    {option.name} {option.price?.value}
                  </button>
                ))}
            </p>
          )}
        </TicketRow>
      )}
      {quote.deliveryDiscounts.map((discount) => (
        <TicketRow key={discount.id} name={discount.name} figure={figure(discount.amount)} minus />
      ))}
      {quote.missing.map((sentence) => (
        <p key={sentence} className="py-1 font-semibold text-error">
          {sentence}
        </p>
      ))}
      {quote.prices === "without-tax" && <Taxes quote={quote} figure={figure} />}
      <TicketRow name="To pay" figure={figure(quote.payable)} total />
      {quote.prices === "with-tax" && <Taxes quote={quote} figure={figure} />}
      <Methods quote={quote} />
      {quote.notApplied.length > 0 && (
        <details className="mt-2 border-t border-base-300 pt-2 text-xs">
          <summary className="cursor-pointer quiet">
            {quote.notApplied.length === 1
              ? "1 discount does not apply"
              : `${quote.notApplied.length} discounts do not apply`}
          </summary>
          {quote.notApplied.map((discount) => (
            <p key={discount.id} className="mt-1">
              {discount.name}: {discount.reason}
            </p>
          ))}
        </details>
      )}
      {not.length > 0 && (
        <details className="mt-2 border-t border-base-300 pt-2 text-xs">
          <summary className="cursor-pointer quiet">
            {not.length === 1 ? "1 delivery not offered" : `${not.length} deliveries not offered`}
          </summary>
          {not.map((option) => (
            <p key={option.id} className="mt-1">
              {option.name}: {option.reason} <GoThere rule={option.rule ?? ""} />
            </p>
          ))}
        </details>
      )}
    </>
  );
}

function GoThere({ rule }: { rule: string }) {
  const bench = useBench();
  return rule.startsWith("delivery/zones/") ? (
    <button type="button" className="cursor-pointer underline" onClick={() => bench.goTo(rule)}>
      Go there
    </button>
  ) : null;
}

function Taxes({ quote, figure }: { quote: QuoteView; figure: (amount: Amount) => Figure }) {
  const inside = quote.prices === "with-tax";
  return quote.taxes.map((group) => (
    <TicketRow
      key={`${group.name} ${group.category} ${group.percent}`}
      name={group.percent ? `${group.name} ${inside ? "inside" : "added"}, ${plain(group.percent)} %` : "No tax"}
      note={`on ${group.amount.value}`}
      figure={figure(group.tax)}
    />
  ));
}

function Methods({ quote }: { quote: QuoteView }) {
  const seen = quote.methods.filter((method) => !method.hidden);
  const hidden = quote.methods.filter((method) => method.hidden);
  const taken = (fee: Amount | null | undefined) => (fee ? `, ${fee.value} to the provider` : "");
  return (
    <div className="mt-2 border-t border-base-300 pt-2 text-xs">
      {seen.map((method) => (
        <p key={method.id}>
          Pays by <strong>{method.title}</strong>: you keep <span className="font-mono">{method.keep}</span> after tax{" "}
          {quote.tax.value}
          {taken(method.fee)}.
        </p>
      ))}
      {hidden.map((method) => (
        <p key={method.id} className="quiet">
          {method.title || method.id}: {method.hidden}
        </p>
      ))}
    </div>
  );
}

/** Where the order goes: shown in words, typed as country and postcode. */
function PlaceChoice({
  to,
  choose,
  changed,
}: {
  to: Destination;
  choose: (to: Destination | undefined) => void;
  changed: boolean;
}) {
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <button type="button" className="inplace col-span-2 text-start font-semibold" onClick={() => setOpen(true)}>
        {inWords(to)}
      </button>
    );
  }
  return (
    <form
      className="col-span-2 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const postcode = String(form.get("postcode")).trim();
        const region = String(form.get("region")).trim().toUpperCase();
        choose({
          country: String(form.get("country")).trim().toUpperCase(),
          ...(postcode ? { postcode } : {}),
          ...(region ? { region } : {}),
        });
        setOpen(false);
      }}
    >
      <input
        name="country"
        aria-label="Country, two letters"
        defaultValue={to.country}
        maxLength={2}
        className="inplace w-10"
        title={countryName(to.country)}
        autoFocus
      />
      <input
        name="region"
        aria-label="Region code"
        defaultValue={to.region ?? ""}
        placeholder="region"
        className="inplace w-16"
      />
      <input
        name="postcode"
        aria-label="Postcode"
        defaultValue={to.postcode ?? ""}
        placeholder="postcode"
        className="inplace w-20"
      />
      <button type="submit" className="btn btn-ghost btn-xs">
        Set
      </button>
      {changed && (
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => choose(undefined)}>
          Basket's own
        </button>
      )}
    </form>
  );
}

/** No sample basket yet: one is made from the first thing for sale. */
function FirstBasket() {
  const bench = useBench();
  const product = bench.setup.goods.products[0];
  if (!product)
    return (
      <p className="quiet">The ticket prices a sample order as soon as there is something to sell. Begin at Goods.</p>
    );
  const make = () =>
    void bench.set("rehearsal/baskets/first", {
      id: "first",
      name: `One ${product.name}`,
      lines: [
        {
          product: product.id,
          quantity: "1",
          options: Object.fromEntries(product.options.map((option) => [option.id, option.choices[0]?.id ?? ""])),
        },
      ],
      to: { country: bench.setup.shop.address.country },
    });
  return (
    <button type="button" className="btn btn-primary btn-sm" onClick={make}>
      Price one {product.name}
    </button>
  );
}
