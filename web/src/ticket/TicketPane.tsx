import { useEffect, useState } from "react";
import { useActs, useBench, useMarks, useSpotlight } from "../desk/bench";
import { setupPath } from "../shared/paths";
import { Said } from "../shared/Said";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { Asking } from "./Asking";
import { FirstBasket } from "./FirstBasket";
import { Slip } from "./Slip";
import { type Choices, keptOf, startOf, ticketOrderOf } from "./sampleOrder";
import { useTicket } from "./useTicket";

/** The ticket: a sample order, priced under the draft at every keystroke, beside whatever is being edited. */
export function TicketPane({ close }: { close: () => void }) {
  const bench = useBench();
  const acts = useActs();
  const baskets = bench.setup.rehearsal.baskets;
  // The baskets looked at, the latest last: when one goes, the one before it is on the ticket again.
  const [looked, setLooked] = useState<string[]>([]);
  const [typed, setTyped] = useState<Partial<Choices>>({});
  const [beside, setBeside] = useState(false);
  const latest = looked.findLast((id) => baskets.some((each) => each.id === id));
  const place = Math.max(
    0,
    baskets.findIndex((each) => each.id === latest),
  );
  const basket = baskets[place];
  const look = (id: string | undefined) => id && setLooked((now) => [...now.filter((each) => each !== id), id]);
  const { order, edition } = useSpotlight();
  // A cell of the board that was pointed at is the order on the ticket.
  useEffect(() => {
    if (!order) return;
    setLooked((now) => [...now.filter((each) => each !== order.basket), order.basket]);
    setTyped({ to: order.to });
  }, [order]);
  const { shop } = bench.setup;
  const start = startOf(basket, shop.timeZone);
  const changed: Choices = { ...start, ...typed };
  const asked = ticketOrderOf(basket, changed, shop);
  const { answered, problems } = useTicket(asked, beside, edition);
  const ticket = answered?.ticket;
  const change = (part: Partial<Choices>) => setTyped((now) => ({ ...now, ...part }));

  const quote = ticket?.quote;
  const mended = ticket?.mended ?? [];
  const meant = ticket?.to;
  const named = answered?.asked.to.country;
  // A country typed by its name is the country the shop knows by it.
  useEffect(() => {
    if (meant && named !== meant.country) setTyped((now) => (now.to?.country === named ? { ...now, to: meant } : now));
  }, [named, meant]);
  const { setPriced, priceAsOf } = useMarks();
  useEffect(() => setPriced(quote ?? undefined), [quote, setPriced]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as HTMLElement).matches("input, select, textarea")) return;
      const step = event.key === "[" ? baskets.length - 1 : event.key === "]" ? 1 : 0;
      const next = baskets[(place + step) % baskets.length];
      if (step && next) setLooked((now) => [...now.filter((id) => id !== next.id), next.id]);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [baskets, place]);

  if (!basket) return <FirstBasket />;
  const differs = quote && ticket?.live && ticket.live !== quote.payable.value;
  return (
    <>
      <Asking
        baskets={baskets}
        place={place}
        choose={(id) => {
          look(id);
          setTyped(({ delivery: _, slot: __, deliveries: ___, ...now }) => now);
        }}
        to={asked.to}
        changed={changed}
        change={change}
        touched={JSON.stringify(changed) !== JSON.stringify(start)}
        reset={() => setTyped({})}
        keep={() =>
          void acts
            .set(setupPath("rehearsal", "baskets", basket.id), keptOf(basket, changed, shop))
            .then((kept) => kept && setTyped(({ rate }) => (rate ? { rate } : {})))
        }
        close={close}
      />
      {mended.length > 0 && (
        <div role="status" className="mt-3 border-s-2 border-warning ps-3 text-xs">
          {mended.map((note) => (
            <p key={note}>{note}</p>
          ))}
          <TextButton
            onClick={() => void acts.set(setupPath("rehearsal", "baskets", basket.id, "order", "lines"), ticket?.lines)}
          >
            {say("keepBasketLikeThis")}
          </TextButton>
        </div>
      )}
      {edition !== undefined && (
        <p role="status" className="mt-3 border-s-2 border-accent ps-3 text-xs">
          {say("pricedAsOf", { number: edition })}{" "}
          <TextButton onClick={() => priceAsOf(undefined)}>{say("asTheDraftAgain")}</TextButton>
        </p>
      )}
      <section className="ticket mt-6 px-4 py-3" aria-label={say("pricedOrder")} aria-live="polite">
        <Said problems={problems} />
        {quote && <Slip quote={quote} live={ticket?.liveQuote ?? undefined} chosen={changed} change={change} />}
      </section>
      {quote && ticket?.live && (
        <p className="mt-3 flex items-baseline gap-3">
          {differs ? (
            <span>
              {say("liveCosts")} <span className="figure">{ticket.live}</span>
              {say("inTheDraft")} <span className="figure">{quote.payable.value}</span>.
            </span>
          ) : (
            <span className="quiet">{say("sameLive")}</span>
          )}
          <label className="ms-auto inline-flex cursor-pointer items-center gap-1.5 text-xs">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={beside}
              onChange={(event) => setBeside(event.target.checked)}
            />
            {say("liveBeside")}
          </label>
        </p>
      )}
    </>
  );
}
