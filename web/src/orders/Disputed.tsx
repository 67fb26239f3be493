import type { WholeOrder } from "../api/client";
import { say } from "../shared/say";

interface Props {
  order: WholeOrder;
  /** Until when the provider has to hear. */
  until: string | null | undefined;
  when: Intl.DateTimeFormat;
}

/** A disputed payment: until when to answer, and what shows that the order was kept. */
export function Disputed({ order, until, when }: Props) {
  const tracked = order.departures.filter((left) => left.tracking || left.link);
  return (
    <section aria-label={say("disputed")} className="mt-2 border-s-4 border-error ps-3">
      <p className="font-semibold">
        {until ? say("answerBy", { day: when.format(new Date(until)) }) : say("answerSoon")}
      </p>
      <p>{say("whatToSend")}</p>
      <ul className="list-disc ps-5">
        <li>{say("evidencePapers")}</li>
        <li>
          {order.departures.length === 0
            ? say("evidenceNothingLeft")
            : tracked.length > 0
              ? say("evidenceTracking", {
                  parcels: tracked.map((left) => `${left.carrier} ${left.tracking}`.trim() || left.link).join(", "),
                })
              : say("evidenceNoTracking")}
        </li>
        {order.agreed.length > 0 && <li>{say("evidenceAgreed", { edition: order.edition })}</li>}
      </ul>
    </section>
  );
}
