import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { answer, api, type Problem, problemsOf, type Subscription } from "../api/client";
import { useBench } from "../desk/bench";
import { money, plain } from "../shared/money";
import { Said } from "../shared/Said";
import { StationHead } from "../shared/StationHead";
import { readIn, say, sayCode } from "../shared/say";

/** One subscription: what became of its dates, and what can be done with it. */
export function SubscriberSheet() {
  const { shop, setup } = useBench();
  const id = Number(useParams().id);
  const client = useQueryClient();
  const key = ["subscription", shop, id];
  const path = { params: { path: { shop, id } } };
  const [problems, setProblems] = useState<Problem[]>([]);
  const query = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/subscriptions/{id}", path)),
  });
  if (query.isError) return <Said problems={problemsOf(query.error)} />;
  const it = query.data;
  if (!it) return null;
  const language = readIn(setup.shop.language);
  const format = new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" });
  const day = (date: string) => format.format(new Date(`${date}T00:00:00Z`));
  const when = new Intl.DateTimeFormat(language, {
    dateStyle: "medium",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  });
  const act = (call: Promise<Subscription>) =>
    call.then(
      (after) => {
        client.setQueryData(key, after);
        void client.invalidateQueries({ queryKey: ["subscriptions", shop] });
        setProblems([]);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  return (
    <>
      <StationHead title={[it.subject.product, ...it.subject.choices].join(", ")}>
        {it.order.test && (
          <span className="border border-dashed border-warning px-1 text-warning">{say("testNoMoneyMoved")}</span>
        )}
        <span>{sayCode("subscribed", it.state)}</span>
        <Link className="underline" to={`/desk/${shop}/subscriptions`}>
          {say("allSubscriptions")}
        </Link>
      </StationHead>
      <div className="max-w-2xl">
        <p>
          {it.subject.name}, {it.subject.email}
        </p>
        <p>
          {[...it.address.lines, `${it.address.postcode} ${it.address.city}`.trim(), it.address.country].join(", ")}
        </p>
        <p className="mt-2">
          {plain(it.subject.quantity)} {it.subject.unit} {it.subject.every}
          {it.next && (
            <>
              {" · "}
              {it.each
                ? say("nextFor", { date: day(it.next), amount: money(it.each, it.currency, language) })
                : say("nextOn", { date: day(it.next) })}
            </>
          )}
        </p>
        {it.trouble && (
          <p role="status" className="my-3 border-s-4 border-error ps-3">
            {it.trouble} {it.nextTry && say("triedAgainOn", { date: day(it.nextTry) })}
          </p>
        )}
        {it.announced && (
          <p className="my-3 border-s-4 border-warning ps-3">
            {say("announcedFrom", {
              date: day(it.announced.from),
              amount: money(it.announced.each, it.currency, language),
            })}{" "}
            {it.announced.answer != null
              ? it.announced.answer
                ? say("buyerAgreed")
                : say("buyerRefused")
              : it.announced.asked && say("buyerIsAsked")}
          </p>
        )}
        <Said problems={problems} />
        {it.next && (
          <div className="my-4 flex flex-wrap gap-3">
            <button
              type="button"
              className="btn"
              disabled={it.state === "paused"}
              onClick={() => void act(answer(api.POST("/api/shops/{shop}/subscriptions/{id}/charge", path)))}
            >
              {say("chargeNow")}
            </button>
            {it.state === "paused" ? (
              <button
                type="button"
                className="btn"
                onClick={() => void act(answer(api.POST("/api/shops/{shop}/subscriptions/{id}/resume", path)))}
              >
                {say("goOnCharging")}
              </button>
            ) : (
              <button
                type="button"
                className="btn"
                onClick={() => void act(answer(api.POST("/api/shops/{shop}/subscriptions/{id}/pause", path)))}
              >
                {say("pauseCharging")}
              </button>
            )}
            <button
              type="button"
              className="btn"
              onClick={() => void act(answer(api.POST("/api/shops/{shop}/subscriptions/{id}/stop", path)))}
            >
              {say("stopCharging")}
            </button>
          </div>
        )}
        <h2 className="mt-6 mb-1">{say("datesSoFar")}</h2>
        <p className="flex justify-between border-b border-base-300 py-1">
          <Link className="underline" to={`/desk/${shop}/orders/${it.order.number}`}>
            {say("beganWithOrder", { number: it.order.number })}
          </Link>
        </p>
        {it.dates.map((date) => (
          <p key={date.day} className="flex justify-between gap-4 border-b border-base-300 py-1">
            <span>
              {day(date.day)}, {sayCode("date", date.state)}{" "}
              {date.order && (
                <Link className="underline" to={`/desk/${shop}/orders/${date.order}`}>
                  {say("orderNumbered", { number: date.order })}
                </Link>
              )}
            </span>
            <span className="figure">{date.amount ? money(date.amount, it.currency, language) : ""}</span>
          </p>
        ))}
        <h2 className="mt-6 mb-1">{say("whatHappened")}</h2>
        {it.happened.map((each) => (
          <p key={`${each.at} ${each.kind}`} className="text-sm">
            <span className="quiet">{when.format(new Date(each.at))}</span> {sayCode("happened", each.kind)}{" "}
            {each.kind === "held" && each.about}
          </p>
        ))}
      </div>
    </>
  );
}
