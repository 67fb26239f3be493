import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { Fold } from "../shared/Fold";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { deskLocale, say } from "../shared/say";
import { useTaxedAtHome } from "../stations/rehearsal/useTaxedAtHome";
import { WhatChanges } from "../stations/rehearsal/WhatChanges";
import { SchemeHead, SchemeSheet } from "./SchemeSheet";

const THRESHOLD = 10_000;
const QUARTERS = 12;
const euro = (amount: string) => money(Number(amount).toFixed(2), "EUR", deskLocale());
const day = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "long", timeZone: "UTC" });

/** The quarters up to today, the latest first, each by its first day. */
function quarters(): { first: string; name: string }[] {
  const now = new Date();
  const latest = now.getUTCFullYear() * 4 + Math.floor(now.getUTCMonth() / 3);
  return Array.from({ length: QUARTERS }, (_, ago) => latest - ago).map((each) => {
    const [year, quarter] = [Math.floor(each / 4), each % 4];
    return {
      first: `${year}-${String(quarter * 3 + 1).padStart(2, "0")}-01`,
      name: say("quarterOf", { quarter: quarter + 1, year: String(year) }),
    };
  });
}

/** Sales to consumers elsewhere in the Union: the counter of the year, and the sheet of a quarter. */
export function UnionSales() {
  const { shop, setup } = useBench();
  const all = quarters();
  const [quarter, setQuarter] = useState(all[0]?.first ?? "");
  const union = useQuery({
    queryKey: ["union-sales", shop, quarter],
    queryFn: () => answer(api.GET("/api/shops/{shop}/sales/union", { params: { path: { shop }, query: { quarter } } })),
    placeholderData: (before) => before,
  });
  const taxedAtHome = useTaxedAtHome();
  const registered = setup.tax.registrations.some(({ scheme }) => scheme === "one-stop-shop");
  if (union.error) return <Said problems={problemsOf(union.error)} />;
  const { counter, sheet, numbers = {} } = union.data ?? {};
  if (!counter || !sheet) return null;
  const { thisYear, lastYear, passed, passedOn, near, year } = counter.counter;
  return (
    <section aria-label={say("unionSales")} className="mt-8">
      <h2 className="text-lg">{say("unionSales")}</h2>
      <p>
        {say("unionCounter", { year: String(year), amount: euro(thisYear), last: euro(lastYear) })}{" "}
        {passed ? (
          <strong>
            {passedOn ? say("unionPassedOn", { day: day.format(new Date(passedOn)) }) : say("unionPassedLastYear")}
          </strong>
        ) : (
          near && taxedAtHome && <strong>{say("unionNear")}</strong>
        )}
      </p>
      <progress
        className={`progress w-72 ${passed ? "progress-error" : "progress-accent"}`}
        value={Math.min(THRESHOLD, Math.max(0, Number(thisYear)))}
        max={THRESHOLD}
        aria-label={say("unionSales")}
      />
      {!passed && taxedAtHome && (
        <Fold title={say("whatWouldChange")} late>
          <WhatChanges start={{ passed: true }} />
        </Fold>
      )}
      {counter.converted.length > 0 && (
        <p className="text-xs quiet">{say("unionConverted", { currencies: counter.converted.join(", ") })}</p>
      )}
      <SchemeHead
        title={<h3 className="text-base">{say("oneStopSheet")}</h3>}
        sheet={sheet}
        spans={all}
        spanLabel={say("quarter")}
        span={quarter}
        choose={setQuarter}
        file={`/api/shops/${shop}/sales/union.csv?quarter=${quarter}`}
      />
      <SchemeSheet sheet={sheet} numbers={numbers} filed={registered} />
      <p className="mt-1 text-xs quiet">{say("helpNotFiling")}</p>
    </section>
  );
}
