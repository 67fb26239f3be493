import { useState } from "react";
import { Link } from "react-router";
import type { Counter } from "../../api/client";
import { isZero, money } from "../../shared/money";
import { Said } from "../../shared/Said";
import { TextButton } from "../../shared/TextButton";
import type { Kept } from "../basket";
import { useSay } from "../phrases";
import { Agreement } from "./Agreement";
import { cash } from "./Besides";
import { Choice } from "./Choice";
import { How, howOpen } from "./HowStep";
import type { StepProps } from "./shared";

/** The texts to agree to as shown, in one word: another edition's are others. */
const hashesOf = (counter: Counter): string =>
  counter.texts
    .filter((text) => text.agreed)
    .map((text) => text.hash)
    .join();

export const agreedTo = (counter: Counter, kept: Kept): boolean =>
  hashesOf(counter) === "" || kept.agreed === hashesOf(counter);

/** Choosing how to pay and ordering. The card itself is asked for once the order stands. */
export function PayStep({
  counter,
  kept,
  change,
  quote,
  heading,
  problems,
  order,
  where,
}: StepProps & { order: () => Promise<void>; where: () => void }) {
  const say = useSay();
  const [busy, setBusy] = useState(false);
  const agreed = agreedTo(counter, kept);
  const { leastAge } = counter.asking;
  const young = leastAge != null && kept.age !== leastAge;
  const methods = quote?.methods ?? [];
  const nothing = quote !== undefined && isZero(quote.toPay);
  const charged = (charge: string | null | undefined) =>
    charge && !isZero(charge)
      ? `${charge.startsWith("-") ? "" : "+"}${money(charge, quote?.currency ?? "", counter.language)}`
      : undefined;
  // With what a wallet told, how it is sent is asked here.
  const how = Boolean(kept.wallet && quote?.needsDelivery);
  const unsaid = how && howOpen({ counter, kept, quote });
  const send = async () => {
    setBusy(true);
    await order();
    setBusy(false);
  };
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="mb-3 text-2xl outline-none">
        {say(how ? "howReach" : "howPay")}
      </h1>
      {how && (
        <>
          <How counter={counter} kept={kept} change={change} quote={quote} problems={[]} />
          <p className="mt-2 mb-4">
            <TextButton onClick={where}>{say("otherAddress")}</TextButton>
          </p>
          <h2 className="mb-2 text-lg">{say("howPay")}</h2>
        </>
      )}
      {nothing && <p className="mb-3">{say("nothingLeft")}</p>}
      {methods.length === 0 && !nothing && <p className="text-error">{say("cannotTake")}</p>}
      <fieldset className="border border-base-300 bg-base-100" hidden={nothing}>
        <legend className="sr-only">{say("payment")}</legend>
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
      {counter.asking.paysWith && cash(kept, quote) && (
        <label className="mt-4 block">
          <span className="mb-1 block text-xs quiet">{say("paysWith", { currency: quote?.currency ?? "" })}</span>
          <input
            className="input w-40 figure text-base"
            inputMode="decimal"
            autoComplete="off"
            maxLength={12}
            value={kept.paysWith}
            onChange={(event) => change({ paysWith: event.target.value })}
          />
        </label>
      )}
      {leastAge != null && (
        <label className="mt-4 flex items-start gap-3">
          <input
            type="checkbox"
            className="checkbox checkbox-sm mt-0.5"
            checked={!young}
            onChange={(event) => change({ age: event.target.checked ? leastAge : undefined })}
          />
          {say("atLeast", { age: leastAge })}
        </label>
      )}
      <Agreement
        counter={counter}
        agreed={agreed}
        agree={(yes) => change({ agreed: yes ? hashesOf(counter) : undefined })}
      />
      {quote?.atOnce && (
        <div className="mt-4">
          <label className="flex items-start gap-3">
            <input
              type="checkbox"
              className="checkbox checkbox-sm mt-0.5"
              checked={kept.atOnce === quote.atOnce.hash}
              onChange={(event) => change({ atOnce: event.target.checked ? quote.atOnce?.hash : undefined })}
            />
            {quote.atOnce.text}
          </label>
          <p className="ms-8 text-xs quiet">{quote.atOnce.otherwise}</p>
        </div>
      )}
      {quote && quote.renewing.length > 0 && (
        <section className="mt-4 border-s-4 border-accent ps-3" aria-label={say("chargedAgain")}>
          <h2 className="text-base">{say("chargedAgain")}</h2>
          {quote.renewing.map((renewing) => (
            <p key={renewing.kind}>{renewing.text}</p>
          ))}
        </section>
      )}
      <Said problems={problems} />
      {quote && (
        <button
          type="button"
          className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-4 w-full"
          disabled={busy || !agreed || young || !(kept.method || nothing) || unsaid}
          onClick={() => void send()}
        >
          {nothing
            ? say("orderForNothing")
            : quote.renewing.length > 0
              ? say("orderRenewing", { amount: money(quote.toPay, quote.currency, counter.language) })
              : counter.orderButton
                ? `${counter.orderButton}, ${money(quote.toPay, quote.currency, counter.language)}`
                : say("orderFor", { amount: money(quote.toPay, quote.currency, counter.language) })}
        </button>
      )}
      {!kept.method && !nothing && methods.length > 0 && <p className="mt-2 quiet">{say("choosePayFirst")}</p>}
      {(kept.method || nothing) && young && <p className="mt-2 quiet">{say("confirmAge")}</p>}
      {(kept.method || nothing) && !agreed && <p className="mt-2 quiet">{say("agreeFirst")}</p>}
      {quote?.onAccount && !nothing && (
        <p className="mt-4 text-sm quiet">
          {quote.onAccount}{" "}
          <Link className="underline" to={`/counter/${counter.shop}/me`}>
            {say("signInByLetter")}
          </Link>
        </p>
      )}
    </>
  );
}
