import { useState } from "react";
import { isZero, money } from "../../shared/money";
import { Said } from "../../shared/Said";
import { Choice } from "./Choice";
import type { StepProps } from "./shared";

/** Choosing how to pay and ordering. The card itself is asked for once the order stands. */
export function PayStep({
  counter,
  kept,
  change,
  quote,
  heading,
  problems,
  order,
}: StepProps & { order: () => Promise<void> }) {
  const [busy, setBusy] = useState(false);
  const methods = quote?.methods ?? [];
  const nothing = quote !== undefined && isZero(quote.toPay);
  const charged = (charge: string | null | undefined) =>
    charge && !isZero(charge)
      ? `${charge.startsWith("-") ? "" : "+"}${money(charge, quote?.currency ?? "", counter.language)}`
      : undefined;
  const send = async () => {
    setBusy(true);
    await order();
    setBusy(false);
  };
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="mb-3 text-2xl outline-none">
        How would you like to pay?
      </h1>
      {nothing && <p className="mb-3">Nothing is left to pay.</p>}
      {methods.length === 0 && !nothing && (
        <p className="text-error">The shop cannot take a payment at the moment. The basket is kept.</p>
      )}
      <fieldset className="border border-base-300 bg-base-100" hidden={nothing}>
        <legend className="sr-only">Payment</legend>
        {methods.map((method) => (
          <Choice
            key={method.id}
            group="method"
            chosen={kept.method === method.id}
            choose={() => change({ method: method.id })}
            title={method.title}
            value={charged(method.charge)}
          >
            {method.sentence}
          </Choice>
        ))}
      </fieldset>
      <Said problems={problems} />
      {quote && (
        <button
          type="button"
          className="btn btn-primary btn-lg mt-4 w-full"
          disabled={busy || !(kept.method || nothing)}
          onClick={() => void send()}
        >
          {nothing
            ? "Order, with nothing left to pay"
            : `Order with obligation to pay ${money(quote.toPay, quote.currency, counter.language)}`}
        </button>
      )}
      {!kept.method && !nothing && methods.length > 0 && <p className="mt-2 quiet">Choose how to pay first.</p>}
    </>
  );
}
