import type { ReactNode } from "react";
import type { QuoteView } from "../api/client";
import { plain } from "../shared/money";
import { say } from "../shared/say";
import { RuleButton } from "./RuleButton";

/** What the ticket keeps folded: what is not offered and why, parcels, later charges. */
export function Folds({ quote }: { quote: QuoteView }) {
  const not = quote.delivery.filter((option) => option.reason);
  const parcels = quote.consignments.flatMap((sent) => sent.parcels.map((parcel) => ({ sent, parcel })));
  return (
    <>
      <Fold when={quote.notApplied.length} title={say("unusedDiscountCount", { count: quote.notApplied.length })}>
        {quote.notApplied.map((discount) => (
          <p key={discount.id} className="mt-1">
            {discount.name}: {discount.reason}
          </p>
        ))}
      </Fold>
      <Fold when={not.length} title={say("unavailableDeliveryCount", { count: not.length })}>
        {not.map((option) => (
          <p key={option.id} className="mt-1">
            {option.name}: {option.reason} <RuleButton rule={option.rule ?? ""} />
          </p>
        ))}
      </Fold>
      <Fold when={quote.renewing.length} title={say("chargedAgainLater")}>
        {quote.renewing.map((renewal) => (
          <p key={renewal.line} className="mt-1">
            {renewal.name}: {renewal.charges.map((charge) => `${charge.day} ${charge.payable}`).join(", ")}
          </p>
        ))}
      </Fold>
      <Fold when={parcels.length > 1 ? parcels.length : 0} title={say("parcelCount", { count: parcels.length })}>
        {parcels.map(({ sent, parcel }, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a parcel is its place in the order
          <p key={index} className="mt-1">
            {say("parcelRow", {
              count: quote.consignments.length > 1 && `${sent.name}: `,
              type: parcel.type ?? say("asItIs"),
              value: plain(parcel.weight.value),
              outer: parcel.outer ? `, ${parcel.outer}` : "",
            })}
          </p>
        ))}
      </Fold>
    </>
  );
}

function Fold({ when, title, children }: { when: number; title: string; children: ReactNode }) {
  if (when === 0) return null;
  return (
    <details className="mt-2 border-t border-base-300 pt-2 text-xs">
      <summary className="cursor-pointer quiet">{title}</summary>
      {children}
    </details>
  );
}
