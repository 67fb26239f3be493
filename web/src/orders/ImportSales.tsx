import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { Said } from "../shared/Said";
import { deskLocale, say } from "../shared/say";
import { SchemeHead, SchemeSheet } from "./SchemeSheet";

const MONTHS = 24;
const monthName = new Intl.DateTimeFormat(deskLocale(), { month: "long", year: "numeric", timeZone: "UTC" });

/** The months up to today, the latest first, each by its first day. */
function months(): { first: string; name: string }[] {
  const now = new Date();
  return Array.from({ length: MONTHS }, (_, ago) => {
    const first = new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() - ago, 1));
    return { first: first.toISOString().slice(0, 10), name: monthName.format(first) };
  });
}

/** What was imported to consumers in the Union under its import scheme, month by month; nothing without it. */
export function ImportSales() {
  const { shop, setup } = useBench();
  const all = months();
  const [month, setMonth] = useState(all[0]?.first ?? "");
  const registered = setup.tax.registrations.some(({ scheme }) => scheme === "import-scheme");
  const imports = useQuery({
    queryKey: ["import-sales", shop, month],
    queryFn: () => answer(api.GET("/api/shops/{shop}/sales/imports", { params: { path: { shop }, query: { month } } })),
    enabled: registered,
    placeholderData: (before) => before,
  });
  if (imports.error) return <Said problems={problemsOf(imports.error)} />;
  const sheet = imports.data?.sheet;
  if (!registered || !sheet) return null;
  return (
    <section aria-label={say("importSheet")} className="mt-8">
      <SchemeHead
        title={<h2 className="text-lg">{say("importSheet")}</h2>}
        sheet={sheet}
        spans={all}
        spanLabel={say("month")}
        span={month}
        choose={setMonth}
        file={`/api/shops/${shop}/sales/imports.csv?month=${month}`}
      />
      <SchemeSheet sheet={sheet} />
      <p className="mt-1 text-xs quiet">{say("helpNotFiling")}</p>
    </section>
  );
}
