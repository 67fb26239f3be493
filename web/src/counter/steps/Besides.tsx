import type { BuyerQuote, Counter } from "../../api/client";
import { characters, given, usualMost } from "../answers";
import type { Kept } from "../basket";
import { useSay } from "../phrases";
import { Asked } from "./Asked";
import { InvoiceTo } from "./InvoiceTo";
import { Phone } from "./Phone";
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
  const gift = asking.gift && sent && kept.gift;
  return (
    <>
      {asking.phone !== "no" && sent && (
        <Phone counter={counter} kept={kept} change={change} compulsory={asking.phone === "compulsory"} />
      )}
      {asking.extras.map((extra) => {
        const give = (answer: string) => change({ extras: { ...kept.extras, [extra.id]: answer } });
        const answer = kept.extras[extra.id] ?? "";
        return extra.kind === "text" ? (
          <label key={extra.id} className="mb-3 block">
            <span className="mb-1 block text-xs quiet">{extra.name}</span>
            <input
              required={extra.compulsory}
              className="input w-full text-base"
              aria-invalid={characters(answer) > (extra.most ?? usualMost)}
              value={answer}
              onChange={(event) => give(event.target.value)}
            />
          </label>
        ) : (
          <div key={extra.id} className="mb-3">
            <Asked question={extra} required={extra.compulsory} prices={undefined} answer={answer} give={give} />
          </div>
        );
      })}
      {asking.gift && sent && (
        <Tick
          label={say("isGift")}
          ticked={kept.gift}
          tick={(gift) => change({ gift, invoice: { ...kept.invoice, name: kept.invoice.name || kept.name } })}
        />
      )}
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
      {asking.invoiceAddress && !gift && (
        <Tick label={say("invoiceElsewhere")} ticked={kept.apart} tick={(apart) => change({ apart })} />
      )}
      {(gift || (asking.invoiceAddress && kept.apart)) && (
        <InvoiceTo
          shop={counter.shop}
          language={counter.language}
          countries={counter.everywhere}
          address={kept.invoice}
          change={(invoice) => change({ invoice })}
        />
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

/** Whether the way chosen is cash. */
export const cash = (kept: Kept, quote?: BuyerQuote): boolean =>
  quote?.methods.some((method) => method.id === kept.method && method.kind.startsWith("cash")) ?? false;

/** Whether a way chosen is one of those with which something has to be given. */
export const wanted = (ways: readonly string[], quote?: BuyerQuote): boolean =>
  [...(quote?.delivery ?? []), ...(quote?.apart ?? []).flatMap((sent) => sent.delivery)].some(
    (option) => option.chosen && ways.includes(option.id),
  );

/** Whether the shop asks something that has to be given, besides what a wallet tells. */
export const asksMore = (kept: Kept, { asking }: Counter): boolean =>
  (asking.phone === "compulsory" && kept.phone.trim() === "") ||
  (asking.company === "compulsory" && kept.company.trim() === "") ||
  asking.extras.some(({ id, compulsory }) => compulsory && (kept.extras[id] ?? "").trim() === "");

/** What of it is sent with the order: nothing that is not asked. */
export function wishesOf(kept: Kept, { asking }: Counter, quote?: BuyerQuote) {
  const gift = asking.gift && kept.gift && quote?.needsDelivery !== false;
  const { street, ...invoice } = kept.invoice;
  return {
    vouchers: vouchersOf(kept, quote),
    reference: kept.business ? kept.reference : "",
    note: asking.note ? kept.note : "",
    extras: given(asking.extras, kept.extras),
    company: asking.company === "no" && !wanted(asking.companyWith, quote) ? "" : kept.company,
    phone:
      (asking.phone === "no" && !wanted(asking.phoneWith, quote)) || quote?.needsDelivery === false ? "" : kept.phone,
    ...(asking.paysWith && kept.paysWith && cash(kept, quote)
      ? { paysWith: kept.paysWith.trim().replace(",", ".") }
      : {}),
    ...(gift ? { gift: { name: kept.giftName, message: kept.giftMessage } } : {}),
    parcelShop: kept.parcelShop?.id ?? "",
    site: kept.site ?? "",
    ...(gift || (asking.invoiceAddress && kept.apart)
      ? { invoice: { ...invoice, lines: [street] } }
      : kept.parcelShop
        ? {
            invoice: {
              name: kept.name,
              lines: [kept.street],
              city: kept.city,
              postcode: kept.postcode,
              country: kept.country,
            },
          }
        : {}),
  };
}
