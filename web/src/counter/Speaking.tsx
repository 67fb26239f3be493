import { Link } from "react-router";
import type { Counter } from "../api/client";
import { keptOf } from "./basket";
import { useSay } from "./phrases";

/** Language and currency a buyer has chosen. */
export interface Spoken {
  language?: string | undefined;
  currency?: string | undefined;
}

/** What was chosen before, at first the language the browser asks for. */
export function chosen(shop: string): Spoken {
  const kept = keptOf(shop);
  return { language: kept.language ?? navigator.language, currency: kept.currency };
}

const nameOf = (tag: string): string => {
  const language = tag.split("-")[0] ?? tag;
  return new Intl.DisplayNames([tag], { type: "language" }).of(language) ?? tag;
};

/** Choosing language and currency, where the shop has more than one. */
export function Speaking({ counter, speak }: { counter: Counter; speak: (spoken: Spoken) => void }) {
  const say = useSay();
  return (
    <span className="flex items-baseline gap-2">
      <Link className="text-sm underline" to={`/counter/${counter.shop}/me`}>
        {say("myOrders")}
      </Link>
      {counter.languages.length > 1 && (
        <select
          className="select select-xs w-auto"
          aria-label={say("language")}
          value={counter.language}
          onChange={(event) => speak({ language: event.target.value })}
        >
          {counter.languages.map((tag) => (
            <option key={tag} value={tag} lang={tag}>
              {nameOf(tag)}
            </option>
          ))}
        </select>
      )}
      {counter.currencies.length > 1 && (
        <select
          className="select select-xs w-auto"
          aria-label={say("currency")}
          value={counter.currency}
          onChange={(event) => speak({ currency: event.target.value })}
        >
          {counter.currencies.map((code) => (
            <option key={code} value={code}>
              {code}
            </option>
          ))}
        </select>
      )}
    </span>
  );
}
