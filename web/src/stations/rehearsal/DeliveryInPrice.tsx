import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useEffect, useMemo, useState } from "react";
import { answer, api, problemsOf, type Solved } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { money } from "../../shared/money";
import { stored } from "../../shared/notation/figures";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { KeptCurve } from "./KeptCurve";

const POLL_MILLIS = 500;

/** What it would take to send for free: by how much prices would rise, or from what amount it could be free. */
export function DeliveryInPrice() {
  const { shop, draft, setup } = useBench();
  const path = useMemo(() => ({ params: { path: { shop } } }), [shop]);
  const { zones } = setup.delivery;
  const [sought, setSought] = useState<"rise" | "threshold">("rise");
  const begin = useMutation({
    mutationFn: (form: FormData) =>
      answer(
        api.POST("/api/shops/{shop}/delivery-in-price", {
          ...path,
          body: {
            sought,
            zones: form.getAll("zone").map(String),
            baskets: form.get("of") === "baskets",
            ...(form.get("from") ? { from: String(form.get("from")) } : {}),
            ...(form.get("to") ? { to: String(form.get("to")) } : {}),
            ...(form.get("loss") ? { loss: stored(String(form.get("loss"))) } : {}),
            ...(form.get("rise") ? { rise: stored(String(form.get("rise"))) } : {}),
            ...(form.get("share") ? { share: stored(String(form.get("share"))) } : {}),
            ...(form.get("distance") ? { distance: stored(String(form.get("distance"))) } : {}),
          },
        }),
      ),
  });
  const running = begin.data?.state === "running";
  const progress = useQuery({
    queryKey: ["solver", shop, begin.submittedAt],
    queryFn: () => answer(api.GET("/api/shops/{shop}/delivery-in-price", path)),
    enabled: running,
    refetchInterval: (query) => (!query.state.data || query.state.data.state === "running" ? POLL_MILLIS : false),
  });
  const stop = () => void api.DELETE("/api/shops/{shop}/delivery-in-price", path).then(() => progress.refetch());
  // Going on editing, or leaving, stops it.
  const { reset } = begin;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was found is of the draft as it was
  useEffect(
    () => () => {
      reset();
      void api.DELETE("/api/shops/{shop}/delivery-in-price", path);
    },
    [draft.version],
  );
  const view = running ? (progress.data ?? begin.data) : begin.data;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    begin.mutate(new FormData(event.currentTarget));
  };
  return (
    <>
      <form className="flex flex-col gap-2" onSubmit={submit}>
        <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
          <legend className="mb-1 text-xs quiet">{say("freeIn")}</legend>
          {zones.map(({ id, name }) => (
            <label key={id} className="flex items-center gap-1.5">
              <input type="checkbox" className="checkbox checkbox-xs" name="zone" value={id} />
              {name}
            </label>
          ))}
        </fieldset>
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <label>
            <span className="block text-xs quiet">{say("sought")}</span>
            <select
              className="inplace"
              value={sought}
              onChange={(event) => setSought(event.target.value as "rise" | "threshold")}
            >
              <option value="rise">{say("theRise")}</option>
              <option value="threshold">{say("theThreshold")}</option>
            </select>
          </label>
          {sought === "threshold" && (
            <>
              <Figure name="loss" label={say("lossAMonth", { currency: setup.shop.currency })} />
              <Figure name="rise" label={say("riseBeside")} />
              <Figure name="share" label={say("fillUpShare")} />
              <Figure name="distance" label={say("fillUpDistance", { currency: setup.shop.currency })} />
            </>
          )}
          <label>
            <span className="block text-xs quiet">{say("reckonedWith")}</span>
            <select className="inplace" name="of">
              <option value="orders">{say("ordersTaken")}</option>
              <option value="baskets">{say("sampleOrders")}</option>
            </select>
          </label>
          <label>
            <span className="block text-xs quiet">{say("takenFrom")}</span>
            <input type="date" name="from" className="inplace" />
          </label>
          <label>
            <span className="block text-xs quiet">{say("takenTo")}</span>
            <input type="date" name="to" className="inplace" />
          </label>
          <button type="submit" className="btn btn-sm" disabled={begin.isPending || view?.state === "running"}>
            {say("seek")}
          </button>
        </div>
      </form>
      {begin.error != null && <Said problems={problemsOf(begin.error)} />}
      {view && <Result view={view} stop={stop} />}
    </>
  );
}

function Figure({ name, label }: { name: string; label: string }) {
  return (
    <label>
      <span className="block text-xs quiet">{label}</span>
      <input name={name} className="inplace w-24" inputMode="decimal" placeholder="0" autoComplete="off" />
    </label>
  );
}

function Result({ view, stop }: { view: Solved; stop: () => void }) {
  const { shop, setup } = useBench();
  const acts = useActs();
  const { currency } = setup.shop;
  const write = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/shops/{shop}/delivery-in-price/draft", { params: { path: { shop } } })).then(() =>
        acts.refresh(),
      ),
  });
  const { progress } = view;
  const found = progress.found ?? undefined;
  const amount = (text: string) => money(Number(text).toFixed(2), currency, deskLocale());
  const rise = view.sought === "rise";
  const written = (at: number) => (rise ? `${at} %` : amount(String(at)));
  return (
    <section aria-label={say("deliveryInPrice")} className="mt-3">
      {view.state === "running" || view.state === "stopped" ? (
        <p className="flex items-center gap-3" role="status">
          <progress
            className="progress progress-accent w-48"
            value={progress.done}
            max={Math.max(1, progress.total)}
            aria-label={say("stepsTried")}
          />
          {view.state === "running" ? <TextButton onClick={stop}>{say("stop")}</TextButton> : say("stoppedHere")}
        </p>
      ) : null}
      {found ? (
        <>
          <p className="text-lg font-semibold">
            {rise
              ? say("riseFound", { percent: found.point.at })
              : say(found.point.at === progress.curve.at(-1)?.at ? "thresholdAboveAll" : "thresholdFound", {
                  amount: amount(found.point.at),
                })}
          </p>
          <p>
            {say("keptThen", { after: amount(found.point.kept), now: amount(view.today) })}{" "}
            {rise && say("othersPayMore", { amount: amount(found.othersPay) })}{" "}
            {found.lost > 0 && say("ordersLost", { count: found.lost })}
          </p>
        </>
      ) : (
        view.state === "done" && <p className="font-semibold">{rise ? say("noRiseFound") : say("noThresholdFound")}</p>
      )}
      <KeptCurve
        points={progress.curve}
        currency={currency}
        enough={view.enough}
        found={found?.point.at}
        written={written}
        label={rise ? say("keptOverRise") : say("keptOverThreshold")}
      />
      {found && found.losers.length > 0 && (
        <details className="text-sm">
          <summary className="cursor-pointer">{say("ordersThatLoseMost")}</summary>
          <ul>
            {found.losers.map((loser) => (
              <li key={loser.name} className="figure">
                {say("orderNumbered", { number: loser.name })}: {amount(loser.before)} → {amount(loser.after)}
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className="mt-1 text-xs quiet">
        {say("reckonedFrom", { orders: view.orders, drawn: view.drawn })}{" "}
        {rise ? "" : say("aMonthIs", { days: Number(view.days) })}
      </p>
      {found && view.state === "done" && (
        <button type="button" className="btn btn-sm mt-2" disabled={write.isPending} onClick={() => write.mutate()}>
          {say("writeIntoDraft")}
        </button>
      )}
      {write.error != null && <Said problems={problemsOf(write.error)} />}
    </section>
  );
}
