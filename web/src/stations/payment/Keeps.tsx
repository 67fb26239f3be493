import { useBench, usePriced } from "../../desk/bench";
import { money } from "../../shared/money";
import { readIn, say } from "../../shared/say";

/** What each way to pay leaves of the ticket: paid, less tax, less what its provider takes. */
export function Keeps() {
  const bench = useBench();
  const priced = usePriced();
  if (!priced || priced.methods.length === 0) return null;
  const payable = Number(priced.payable.value);
  const amount = (value: string | number) => money(String(value), priced.currency, readIn(bench.setup.shop.language));
  const share = (value: number) => `${payable > 0 ? Math.max(0, (100 * value) / payable) : 0}%`;
  return (
    <section aria-label={say("whatYouKeepTicket")}>
      <h2 className="text-base">{say("whatYouKeepTicket")}</h2>
      <p className="text-xs quiet">
        {say("taxWhatGoodsCarrierCost", { value: amount(priced.payable.value), value2: amount(priced.tax.value) })}
      </p>
      <table className="mt-2 w-full">
        <thead className="text-xs quiet">
          <tr>
            <th className="text-start font-normal">{say("paidBy")}</th>
            <th className="text-end font-normal">{say("takes")}</th>
            <th className="text-end font-normal">{say("youKeep")}</th>
          </tr>
        </thead>
        <tbody>
          {priced.methods.map((method) => {
            const fee = Number(method.fee?.value ?? 0);
            return (
              <tr key={method.id} className={`border-t border-base-300 ${method.hidden ? "quiet" : ""}`}>
                <td className="py-1 pe-3">
                  {method.title}
                  <svg className="mt-0.5 block h-1.5 w-full" aria-hidden="true">
                    <rect width="100%" height="100%" fill="var(--color-base-300)" />
                    <rect width={share(payable - fee)} height="100%" fill="var(--color-neutral)" opacity="0.5" />
                    <rect width={share(Number(method.keep))} height="100%" fill="var(--color-accent)" />
                  </svg>
                </td>
                <td className={`ps-3 text-end ${method.fee ? "figure" : "quiet"}`}>
                  {method.fee ? amount(method.fee.value) : <span title={say("youHaveNotSaidWhat")}>–</span>}
                </td>
                <td className="figure ps-4 text-end font-semibold">{amount(method.keep)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
