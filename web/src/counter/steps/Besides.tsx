import type { BuyerQuote, Counter } from "../../api/client";
import type { Kept } from "../basket";
import { useSay } from "../phrases";
import { vouchersOf } from "./VouchersFor";

interface Props {
  counter: Counter;
  kept: Kept;
  change: (part: Partial<Kept>) => void;
  /** Whether anything is sent or fetched: else nothing can be wrapped for somebody. */
  sent: boolean;
}

/** What the shop asks besides name and address: its own fields, a gift, a note, consent to one reminder. */
export function Besides({ counter, kept, change, sent }: Props) {
  const say = useSay();
  const { asking } = counter;
  return (
    <>
      {asking.extras.map((extra) => (
        <label key={extra.id} className="mb-3 block">
          <span className="mb-1 block text-xs quiet">{extra.name}</span>
          <input
            required={extra.compulsory}
            className="input w-full text-base"
            maxLength={300}
            value={kept.extras[extra.id] ?? ""}
            onChange={(event) => change({ extras: { ...kept.extras, [extra.id]: event.target.value } })}
          />
        </label>
      ))}
      {asking.gift && sent && <Tick label={say("isGift")} ticked={kept.gift} tick={(gift) => change({ gift })} />}
      {asking.gift && sent && kept.gift && (
        <div className="mb-3 border-s-2 border-base-300 ps-3">
          <label className="mb-3 block">
            <span className="mb-1 block text-xs quiet">{say("giftFor")}</span>
            <input
              required
              className="input w-full text-base"
              maxLength={200}
              autoComplete="off"
              value={kept.giftName}
              onChange={(event) => change({ giftName: event.target.value })}
            />
            <span className="text-xs quiet">{say("giftNote")}</span>
          </label>
          <Area label={say("giftMessage")} value={kept.giftMessage} write={(giftMessage) => change({ giftMessage })} />
        </div>
      )}
      {asking.note && <Area label={say("note")} value={kept.note} write={(note) => change({ note })} />}
      {asking.remindAfter != null && (
        <Tick label={say("remindMe")} ticked={kept.remind} tick={(remind) => change({ remind })} />
      )}
    </>
  );
}

function Tick({ label, ticked, tick }: { label: string; ticked: boolean; tick: (ticked: boolean) => void }) {
  return (
    <label className="mb-3 flex items-start gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm mt-0.5"
        checked={ticked}
        onChange={(event) => tick(event.target.checked)}
      />
      {label}
    </label>
  );
}

function Area({ label, value, write }: { label: string; value: string; write: (text: string) => void }) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <textarea
        className="textarea w-full text-base"
        rows={2}
        maxLength={1000}
        value={value}
        onChange={(event) => write(event.target.value)}
      />
    </label>
  );
}

/** What of it is sent with the order: nothing that is not asked. */
export function wishesOf(kept: Kept, { asking }: Counter, quote?: BuyerQuote) {
  return {
    vouchers: vouchersOf(kept, quote),
    reference: kept.business ? kept.reference : "",
    note: asking.note ? kept.note : "",
    extras: Object.fromEntries(asking.extras.map((extra) => [extra.id, kept.extras[extra.id] ?? ""])),
    ...(asking.gift && kept.gift && quote?.needsDelivery !== false
      ? { gift: { name: kept.giftName, message: kept.giftMessage } }
      : {}),
  };
}
