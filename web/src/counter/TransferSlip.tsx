import type { Placed } from "../api/client";
import { money } from "../shared/money";

type Slip = NonNullable<Placed["slip"]>;

/** What a transfer is made out to, with a square code bank apps read. */
export function TransferSlip({ slip, language }: { slip: Slip; language: string }) {
  return (
    <section className="mb-4 border border-base-content px-5 py-4" aria-label="Transfer">
      <h2 className="mb-2">Transfer this</h2>
      <div className="flex flex-wrap items-start justify-between gap-4">
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
          <dt className="quiet">To</dt>
          <dd>{slip.holder}</dd>
          <dt className="quiet">IBAN</dt>
          <dd className="font-mono">{slip.iban}</dd>
          <dt className="quiet">Amount</dt>
          <dd className="font-mono">{money(slip.amount, slip.currency, language)}</dd>
          <dt className="quiet">Reference</dt>
          <dd className="font-mono">{slip.reference}</dd>
        </dl>
        {slip.code && <SquareCode rows={slip.code.split("\n")} />}
      </div>
      <p className="mt-2 text-sm quiet">
        The reference is how the shop finds your order. The order is kept until then.
      </p>
    </section>
  );
}

/** Dark on white whatever the theme, with the four modules of quiet zone a reader needs (ISO/IEC 18004). */
function SquareCode({ rows }: { rows: string[] }) {
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
      aria-label="Square code for a bank app, with the same account, amount and reference"
      shapeRendering="crispEdges"
    >
      <rect width={size} height={size} fill="#fff" />
      <path d={dark.join("")} fill="#000" />
    </svg>
  );
}
