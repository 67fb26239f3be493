import { isZero, money } from "../../shared/money";
import { countryName } from "../../shared/places";
import { Said } from "../../shared/Said";
import { Choice } from "./Choice";
import type { StepProps } from "./shared";

/** How it should reach the buyer: price against days, side by side. */
export function HowStep({ counter, kept, change, quote, heading, problems, next }: StepProps & { next: () => void }) {
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="text-2xl outline-none">
        How should it reach you?
      </h1>
      <p className="mb-3">
        To {kept.name || "you"}, {[kept.city, kept.postcode, countryName(kept.country)].filter(Boolean).join(", ")}
      </p>
      <Said problems={problems} />
      {quote && quote.delivery.length === 0 ? (
        <p role="alert" className="text-error">
          {quote.missing[0]} Change the basket or the address.
        </p>
      ) : (
        <fieldset className="border border-base-300 bg-base-100">
          <legend className="sr-only">Delivery</legend>
          {quote?.delivery.map((option) => (
            <Choice
              key={option.id}
              group="delivery"
              chosen={option.chosen}
              choose={() => change({ delivery: option.id })}
              title={option.name}
              value={isZero(option.price) ? "free" : money(option.price, quote.currency, counter.language)}
            >
              {[
                option.days &&
                  (option.days.from === option.days.to
                    ? `${option.days.from} working day`
                    : `${option.days.from} to ${option.days.to} working days`),
                option.sentence,
              ]
                .filter(Boolean)
                .join(". ")}
            </Choice>
          ))}
        </fieldset>
      )}
      <button
        type="button"
        className="btn btn-primary btn-lg mt-4 w-full"
        disabled={!quote || quote.delivery.length === 0}
        onClick={next}
      >
        Go on to payment
      </button>
    </>
  );
}
