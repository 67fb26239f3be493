import { useNavigate } from "react-router";
import { useBench } from "../../desk/bench";
import { signed as difference } from "../../shared/money";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { useChanges } from "../rehearsal/useChanges";

const LIVE_TO_DRAFT = {};

/** What publishing the draft would do to the orders that were taken, in a paragraph and its sums. */
export function ChangesInBrief() {
  const { shop, draft } = useBench();
  const navigate = useNavigate();
  const { view } = useChanges(LIVE_TO_DRAFT, draft.changes > 0 && draft.edition != null);
  if (!view || view.same || view.total === 0) return null;
  const signed = (amount: string, currency: string) => difference(amount, currency, deskLocale());
  const gone = view.groups.filter(({ kind }) => kind === "lost").reduce((sum, { orders }) => sum + orders, 0);
  return (
    <section aria-label={say("whatChanges")} className="mt-6 max-w-2xl">
      <h2 className="text-lg">{say("whatChanges")}</h2>
      {view.state === "running" && <p className="quiet">{say("askedOf", { done: view.done, total: view.total })}</p>}
      {view.sums.map((sum) => (
        <p key={sum.currency}>
          {say("ordersDiffer", { changed: sum.changed, compared: sum.compared })}{" "}
          {say("sumsMove", {
            pay: signed(sum.by.payable, sum.currency),
            tax: signed(sum.by.tax, sum.currency),
            delivery: signed(sum.by.delivery, sum.currency),
            keep: signed(sum.by.keep, sum.currency),
          })}
        </p>
      ))}
      {gone > 0 && <p className="text-error">{say("ordersLost", { count: gone })}</p>}
      <TextButton onClick={() => void navigate(`/desk/${shop}/rehearsal`)}>{say("seeItAtRehearsal")}</TextButton>
    </section>
  );
}
