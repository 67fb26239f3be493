import type { Changes } from "../../api/client";
import { money } from "../../shared/money";
import { deskLocale, say } from "../../shared/say";

const HEIGHT = 84;

/** How the differences spread: a column for each span of amounts, as high as there are orders in it. */
export function SpreadPicture({ currency, bins }: { currency: string; bins: Changes["spreads"][number]["bins"] }) {
  if (bins.length < 2) return null;
  const most = Math.max(...bins.map(({ orders }) => orders));
  const written = (amount: string) => money(amount, currency, deskLocale());
  return (
    <figure className="my-2 max-w-xl">
      <div className="flex items-end gap-px border-b border-base-content" style={{ height: HEIGHT }} aria-hidden="true">
        {bins.map((bin) => (
          <div
            key={bin.from}
            title={`${written(bin.from)} – ${written(bin.to)}: ${bin.orders}`}
            className={`min-w-1 flex-1 ${bin.from.startsWith("-") ? "bg-accent" : "bg-error"}`}
            style={{ height: bin.orders === 0 ? 0 : Math.max(2, Math.round((bin.orders / most) * (HEIGHT - 6))) }}
          />
        ))}
      </div>
      <div className="flex justify-between text-xs quiet" aria-hidden="true">
        <span>{written(bins[0]?.from ?? "0")}</span>
        <span>{written(bins[bins.length - 1]?.to ?? "0")}</span>
      </div>
      <figcaption className="text-xs quiet">{say("howDifferencesSpread")}</figcaption>
      <details className="text-xs">
        <summary className="cursor-pointer quiet">{say("asNumbers")}</summary>
        <ul className="columns-2">
          {bins
            .filter(({ orders }) => orders > 0)
            .map((bin) => (
              <li key={bin.from} className="figure">
                {written(bin.from)} – {written(bin.to)}: {bin.orders}
              </li>
            ))}
        </ul>
      </details>
    </figure>
  );
}
