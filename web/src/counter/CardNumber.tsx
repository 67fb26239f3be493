import { useSay } from "./phrases";

/** The number of a card, which goes straight to the processor: read it by `tokenOf`, never send it to the shop. */
export function CardNumber() {
  const say = useSay();
  return (
    <>
      <label className="block">
        <span className="block text-xs quiet">{say("cardNumber")}</span>
        <input
          name="number"
          required
          inputMode="numeric"
          autoComplete="cc-number"
          maxLength={23}
          className="input w-full font-mono text-base"
          placeholder="0000 0000 0000 0000"
        />
      </label>
      <p className="mt-1 text-xs quiet">{say("cardStraight")}</p>
    </>
  );
}
