import { type RefObject, useState } from "react";
import { answer, api, type PriceChange, type Problem, problemsOf } from "../api/client";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { deskLocale, say } from "../shared/say";
import { timeZoneName } from "../shared/timeZones";
import { useWaiting } from "../stations/opening/useWaiting";
import { useActs, useBench, useTroubles } from "./bench";

/** Asks before an edition is published, and after it what subscribers are to be told of it. */
export function Publishing({ dialog }: { dialog: RefObject<HTMLDialogElement | null> }) {
  const bench = useBench();
  const acts = useActs();
  const troubles = useTroubles();
  const [refused, setRefused] = useState(false);
  const [note, setNote] = useState("");
  const [change, setChange] = useState<PriceChange>();
  const next = (bench.draft.edition ?? 0) + 1;
  const over = () => {
    setChange(undefined);
    setProblems([]);
    dialog.current?.close();
  };
  const waiting = useWaiting();
  const [at, setAt] = useState("");
  const [problems, setProblems] = useState<Problem[]>([]);
  const later = () =>
    waiting.wait(at, note).then(
      () => {
        setNote("");
        setAt("");
        over();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const publish = async () => {
    if (at) return later();
    const done = await acts.publish(note);
    setRefused(!done);
    if (!done) return;
    setNote("");
    const path = { params: { path: { shop: bench.shop } } };
    const found = await answer(api.GET("/api/shops/{shop}/subscriptions/price-change", path)).catch(() => undefined);
    if (found && found.dearer + found.cheaper > 0) setChange(found);
    else over();
  };
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="publishing">
      <div className="modal-box">
        {change ? (
          <Subscribers change={change} over={over} />
        ) : (
          <>
            <h2 id="publishing" className="text-xl">
              {say("publishEdition", { next })}
            </h2>
            <p className="mt-2">
              {say("liveAtCounterAtOnce", {
                changes:
                  bench.draft.changes === 1
                    ? say("oneChangeGoes")
                    : say("changesGoLive", { changes: bench.draft.changes }),
              })}
            </p>
            <label className="mt-3 block">
              <span className="block text-xs quiet">{say("editionNote")}</span>
              <input
                className="inplace w-full"
                maxLength={300}
                value={note}
                onChange={(event) => setNote(event.target.value)}
              />
            </label>
            <label className="mt-3 block">
              <span className="block text-xs quiet">
                {say("publishAtTime", { zone: timeZoneName(bench.setup.shop.timeZone, deskLocale()) })}
              </span>
              <input
                type="datetime-local"
                className="inplace"
                value={at}
                onChange={(event) => setAt(event.target.value)}
              />
            </label>
            {refused && <Said problems={troubles.problems} />}
            <Said problems={problems} />
            <div className="modal-action">
              <form method="dialog">
                <button type="submit" className="btn btn-ghost">
                  {say("notYet")}
                </button>
              </form>
              <button type="button" className="btn btn-primary" onClick={() => void publish()}>
                {at ? say("publishThen") : say("publishNow")}
              </button>
            </div>
          </>
        )}
      </div>
    </dialog>
  );
}

/** Those who are charged again by another edition's price: left as they are, or written to. */
function Subscribers({ change, over }: { change: PriceChange; over: () => void }) {
  const { shop } = useBench();
  const [yes, setYes] = useState(false);
  const [told, setTold] = useState<number>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const path = { params: { path: { shop } } };
  const announce = () =>
    answer(api.POST("/api/shops/{shop}/subscriptions/announcement", { ...path, body: { expressYes: yes } })).then(
      (done) => setTold(done.told),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  return (
    <>
      <h2 id="publishing" className="text-xl">
        {say("isPublished")}
      </h2>
      {told !== undefined ? (
        <p className="mt-2">{say("subscribersWrittenTo", { told })}</p>
      ) : (
        <>
          <p className="mt-2">
            {say("subscribersPayOther", { dearer: change.dearer, cheaper: change.cheaper })}{" "}
            {change.most && say("atMostMore", { most: money(change.most, change.currency, deskLocale()) })}
          </p>
          <p className="mt-2">{say("leaveOrAnnounce", { days: change.daysOfNotice })}</p>
          <label className="mt-3 flex gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={yes}
              onChange={(event) => setYes(event.target.checked)}
            />
            {say("onlyWithYes")}
          </label>
        </>
      )}
      <Said problems={problems} />
      <div className="modal-action">
        <button type="button" className={`btn ${told === undefined ? "" : "btn-primary"}`} onClick={over}>
          {told === undefined ? say("leaveSubscribers") : say("closeIt")}
        </button>
        {told === undefined && (
          <button type="button" className="btn btn-primary" onClick={() => void announce()}>
            {say("writeToThem")}
          </button>
        )}
      </div>
    </>
  );
}
