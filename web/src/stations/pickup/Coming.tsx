import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";

const times = new Intl.DateTimeFormat(deskLocale(), {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
  timeZone: "UTC",
});

/** Who comes when, and the address under which the seller's own calendar shows the same. */
export function Coming() {
  const { shop } = useBench();
  const client = useQueryClient();
  const key = ["bookings", shop];
  const path = { params: { path: { shop } } };
  const bookings = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/bookings", path)) });
  const renew = useMutation({
    mutationFn: () => answer(api.POST("/api/shops/{shop}/calendar", path)),
    onSuccess: (fresh) => client.setQueryData(key, fresh),
  });
  if (!bookings.data) return null;
  const { coming, calendar } = bookings.data;
  return (
    <section aria-label={say("whoComes")} className="mt-6 border-t border-base-content pt-3">
      <h2 className="text-base">{say("whoComes")}</h2>
      {coming.length === 0 ? (
        <p className="quiet">{say("nobodyHasBookedTimeYet")}</p>
      ) : (
        <table className="mt-1">
          <thead className="sr-only">
            <tr>
              <th>{say("when")}</th>
              <th>{say("where")}</th>
              <th>{say("orderHead")}</th>
              <th>{say("what")}</th>
            </tr>
          </thead>
          <tbody>
            {coming.map((each) => (
              <tr key={`${each.number} ${each.starts}`} className="border-b border-base-300 align-baseline">
                <td className="py-1 pe-4 font-mono whitespace-nowrap">
                  {times.format(new Date(`${each.starts.slice(0, 16)}:00Z`))}
                </td>
                <td className="pe-4">{each.place}</td>
                <td className="pe-4">
                  <Link className="underline" to={`/desk/${shop}/orders/${each.number}`}>
                    {each.number}
                  </Link>{" "}
                  {each.name}
                </td>
                <td className="quiet">{each.things}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-2 flex flex-wrap items-baseline gap-3">
        {calendar && <span className="font-mono break-all">{calendar}</span>}
        <button type="button" className="btn btn-sm" disabled={renew.isPending} onClick={() => renew.mutate()}>
          {calendar ? say("makeNewAddress") : say("makeAddressForMyCalendar")}
        </button>
      </p>
      <p className="text-xs quiet">{calendar ? say("giveYourCalendarProgramAs") : say("yourOwnCalendarProgramCan")}</p>
      <Said problems={renew.isError ? problemsOf(renew.error) : []} />
    </section>
  );
}
