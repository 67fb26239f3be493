import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { plain } from "../shared/money";
import { Said } from "../shared/Said";
import { deskLocale, say } from "../shared/say";
import { ParcelLabel, type Tracked } from "./ParcelLabel";

const when = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "medium", timeStyle: "short" });

/** What has left and what has not; handing over takes what is authorised for it. */
export function Sending({ order, fresh }: { order: WholeOrder; fresh: (order: WholeOrder) => void }) {
  const { shop, setup } = useBench();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  const [tracked, setTracked] = useState<Tracked>({ tracking: "", carrier: "", link: "" });
  const asked = problems.some((problem) => problem.path === "despite");
  const left = order.quote.lines
    .map((line, index) => ({ line, index }))
    .filter(({ index }) => order.leaving.includes(index) && !order.gone.includes(index));
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const lines = form.getAll("line").map(Number);
    const said = (name: string) => String(form.get(name) ?? "");
    if (lines.length === 0) {
      setProblems([{ path: "lines", sentence: say("nothingChosen"), remedy: say("tickWhatLeavesNow") }]);
      return;
    }
    const call = {
      params: { path: { shop, number: order.number } },
      body: {
        key,
        lines,
        tracking: said("tracking"),
        carrier: said("carrier"),
        link: said("link"),
        despite: asked,
      },
    };
    await answer(api.POST("/api/shops/{shop}/orders/{number}/dispatch", call)).then(
      (after) => {
        setProblems([]);
        setKey(crypto.randomUUID());
        setTracked({ tracking: "", carrier: "", link: "" });
        fresh(after);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const collected = order.handover != null;
  const chosen = order.quote.delivery.find((option) => option.chosen)?.id;
  const way = setup.delivery.options.find((option) => option.id === chosen);
  const ready = () =>
    answer(
      api.POST("/api/shops/{shop}/orders/{number}/ready", { params: { path: { shop, number: order.number } } }),
    ).then(fresh, (reason: unknown) => setProblems(problemsOf(reason)));
  if (order.cancelledAt || order.leaving.length === 0) return null;
  return (
    <section aria-label={say("sending")} className="mb-6">
      <h2 className="mb-1">{collected ? say("handingOver") : say("sending")}</h2>
      {order.departures.length > 0 && (
        <ul className="mb-1 text-xs quiet">
          {order.departures.map((departure) => (
            <li key={departure.at}>
              {when.format(new Date(departure.at))} {departure.carrier}{" "}
              {departure.link ? (
                <a className="font-mono underline" href={departure.link} target="_blank" rel="noreferrer">
                  {departure.tracking || say("followIt")}
                </a>
              ) : (
                <span className="font-mono">{departure.tracking}</span>
              )}
            </li>
          ))}
        </ul>
      )}
      {left.length === 0 ? (
        <p>{collected ? say("everythingHandedOver") : say("everythingHasLeft")}</p>
      ) : (
        <form key={`${order.gone.join()} ${tracked.tracking}`} onSubmit={send}>
          {!collected && <ParcelLabel order={order} fill={setTracked} />}
          {left.map(({ line, index }) => (
            <label key={index} className="flex items-center gap-2">
              <input type="checkbox" name="line" value={index} defaultChecked className="checkbox checkbox-xs" />
              {plain(line.quantity)} {[line.name, ...line.choices].join(", ")}
            </label>
          ))}
          {!collected && (
            <div className="mt-1 grid max-w-xl gap-x-6 sm:grid-cols-3">
              <label className="block">
                <span className="block text-xs quiet">{say("parcelsNumber")}</span>
                <input
                  name="tracking"
                  className="inplace w-full font-mono"
                  maxLength={100}
                  autoComplete="off"
                  defaultValue={tracked.tracking}
                />
              </label>
              <label className="block">
                <span className="block text-xs quiet">{say("carrierName")}</span>
                <input
                  name="carrier"
                  className="inplace w-full"
                  maxLength={100}
                  autoComplete="off"
                  defaultValue={tracked.carrier}
                  placeholder={way?.tracking?.carrier}
                />
              </label>
              <label className="block">
                <span className="block text-xs quiet">{say("trackingLink")}</span>
                <input
                  name="link"
                  type="url"
                  className="inplace w-full"
                  maxLength={500}
                  autoComplete="off"
                  defaultValue={tracked.link}
                  placeholder={way?.tracking?.link ? say("byItsPattern") : say("none")}
                />
              </label>
            </div>
          )}
          <button type="submit" className="btn btn-sm mt-2">
            {asked ? say("sendAllSame") : collected ? say("handedOver") : say("leavesNow")}
          </button>
          {order.handover?.way === "collected" &&
            (order.readyAt ? (
              <span className="ms-3 text-xs quiet">
                {say("readySince", { when: when.format(new Date(order.readyAt)) })}
              </span>
            ) : (
              <button type="button" className="btn btn-sm ms-3 mt-2" onClick={() => void ready()}>
                {say("isReadyToCollect")}
              </button>
            ))}
          <span className="ms-3 text-xs quiet">{say("takesWhatAuthorisedForLast")}</span>
          <Said problems={problems} />
        </form>
      )}
    </section>
  );
}
