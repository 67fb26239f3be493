import { useQuery } from "@tanstack/react-query";
import { answer, api, type PaperRow } from "../api/client";
import { money } from "./money";

interface Props {
  /** Where the papers of one order lie. */
  at: { shop: string; number: number } | { token: string };
  currency: string;
  language: string;
  /** Changes when something may have been issued. */
  fresh: string;
  /** What the kinds are called. */
  names: Record<string, string>;
}

/** Invoices, credit notes and receipts of vouchers of an order, to be kept as PDF, and as UBL where they fit it. */
export function Papers({ at, currency, language, fresh, names }: Props) {
  const papers = useQuery({
    queryKey: ["papers", at, fresh],
    queryFn: () =>
      answer<PaperRow[]>(
        "token" in at
          ? api.GET("/api/counter/orders/{token}/papers", { params: { path: at } })
          : api.GET("/api/shops/{shop}/orders/{order}/papers", {
              params: { path: { shop: at.shop, order: at.number } },
            }),
      ),
    // They are issued a moment after the money has moved.
    refetchInterval: (query) => (query.state.dataUpdateCount < 3 ? 1500 : false),
  });
  if (!papers.data || papers.data.length === 0) return null;
  const base = "token" in at ? `/api/counter/orders/${at.token}` : `/api/shops/${at.shop}/orders/${at.number}`;
  return (
    <ul>
      {papers.data.map((paper) => (
        <li key={paper.number} className="flex flex-wrap items-baseline gap-x-4 border-b border-base-300 py-1">
          <span>
            {names[paper.kind]} <span className="font-mono">{paper.number}</span>
          </span>
          <span className="figure ms-auto">{money(paper.gross, currency, language)}</span>
          <a className="underline" href={`${base}/papers/${paper.number}.pdf`} download>
            PDF
          </a>
          {paper.ubl && (
            <a className="underline" href={`${base}/papers/${paper.number}.xml`} download>
              UBL
            </a>
          )}
        </li>
      ))}
    </ul>
  );
}
