import { Fragment } from "react";
import type { PlacedOrder } from "../api/client";
import { money } from "../shared/money";
import { useSay } from "./phrases";

type Slip = NonNullable<PlacedOrder["slip"]>;

/** What a transfer is made out to, with a square code bank apps read. */
export function TransferSlip({
  slip,
  language,
  until,
}: {
  slip: Slip;
  language: string;
  /** The day until which the order waits. */
  until: string | null | undefined;
}) {
  const say = useSay();
  return (
    <section className="mb-4 border border-base-content px-5 py-4" aria-label={say("transferThis")}>
      <h2 className="mb-2">{say("transferThis")}</h2>
      <div className="flex flex-wrap items-start justify-between gap-4">
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <dt className="quiet">{say("transferTo")}</dt>
          <dd>{slip.holder}</dd>
          {slip.account.map((part) => (
            <Fragment key={part.name}>
              <dt className="quiet">{part.name}</dt>
              <dd className="font-mono">{part.value}</dd>
            </Fragment>
          ))}
          <dt className="quiet">{say("amount")}</dt>
          <dd className="font-mono">{money(slip.amount, slip.currency, language)}</dd>
          <dt className="quiet">{say("reference")}</dt>
          <dd className="font-mono">{slip.reference}</dd>
        </dl>
        {slip.code && <SquareCode rows={slip.code.split("\n")} swiss={slip.swiss} />}
      </div>
      <p className="mt-2 text-sm quiet">
        {say("referenceNote")}{" "}
        {until &&
          say("keptUntil", {
            until: new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" }).format(
              new Date(`${until}T00:00:00Z`),
            ),
          })}
      </p>
    </section>
  );
}

/** Dark on white whatever the theme, with the four modules of quiet zone a reader needs (ISO/IEC 18004). A Swiss QR-bill's bears a cross of 7 in 46 in its middle. */
function SquareCode({ rows, swiss }: { rows: string[]; swiss: boolean }) {
  const say = useSay();
  const cross = (rows.length * 7) / 46;
  const quiet = 4;
  const size = rows.length + 2 * quiet;
  const dark = rows.flatMap((row, y) =>
    [...row].flatMap((module, x) => (module === "#" ? [`M${x + quiet} ${y + quiet}h1v1h-1z`] : [])),
  );
  return (
    <svg
      viewBox={`0 0 ${size} ${size}`}
      className="h-36 w-36"
      role="img"
      aria-label={say("squareCode")}
      shapeRendering="crispEdges"
    >
      <rect width={size} height={size} fill="#fff" />
      <path d={dark.join("")} fill="#000" />
      {swiss && (
        <g transform={`translate(${size / 2 - cross / 2} ${size / 2 - cross / 2}) scale(${cross / 14})`}>
          <path d="M0 0h14v14h-14z" fill="#fff" />
          <path d="M.7.7h12.6v12.6h-12.6z" fill="#000" />
          <path d="M5.8 2.8h2.4v3h3v2.4h-3v3h-2.4v-3h-3v-2.4h3z" fill="#fff" />
        </g>
      )}
    </svg>
  );
}
