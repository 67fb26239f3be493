import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Opening, type Problem, problemsOf } from "../../api/client";
import { useBench, useMarks } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { StationHead } from "../../shared/StationHead";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { timeZoneName } from "../../shared/timeZones";
import { stationNames } from "../shop/StationChanges";
import { ChangesInBrief } from "./ChangesInBrief";
import { EditionList } from "./EditionList";
import { ReachInBrief } from "./ReachInBrief";
import { useOpening } from "./useOpening";
import { WaitingEdition } from "./WaitingEdition";

const dateTime = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "long", timeStyle: "short" });

/** Opening and closing the shop: what still stands against it, each line a link to the very field. */
export function OpeningStation() {
  const bench = useBench();
  const client = useQueryClient();
  const opening = useOpening();
  const [notice, setNotice] = useState<string>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const now = opening.data;
  if (!now) return opening.isError ? <Said problems={problemsOf(opening.error)} /> : null;

  const turn = async (open: boolean) => {
    setBusy(true);
    const body = { open, notice: notice ?? now.notice };
    await answer(api.PUT("/api/shops/{shop}/opening", { params: { path: { shop: bench.shop } }, body })).then(
      () => setProblems([]),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    await client.invalidateQueries({ queryKey: ["opening", bench.shop] });
    setBusy(false);
  };
  const counter = `${window.location.origin}/counter/${bench.shop}`;
  return (
    <>
      <StationHead title={say("opening")}>
        <span>{now.edition ? say("buyersMeetEdition", { edition: now.edition }) : say("nothingPublishedYet")}</span>
      </StationHead>
      <section aria-label={say("door")} className="max-w-2xl border-y border-base-300 py-4">
        <p className="font-head text-xl font-semibold">{now.open ? say("shopOpen") : say("shopClosed")}</p>
        <p className="mt-1">
          {now.open
            ? say("sinceAnybodyCanOrder", { since: now.since ? dateTime.format(new Date(now.since)) : say("now") })
            : say("nobodyCanOrderButYou")}
        </p>
        <p className="mt-1">
          <a className="underline" href={counter} target="_blank" rel="noreferrer">
            {counter}
          </a>{" "}
          <span className="quiet">{now.open ? say("whatBuyersOpen") : say("showsYouShopOthersClosed")}</span>
        </p>
        <label className="mt-3 block">
          <span className="block text-xs quiet">{say("whatClosedShopSaysSentence")}</span>
          <input
            className="inplace w-full"
            maxLength={400}
            placeholder={say("backOnMonday")}
            value={notice ?? now.notice}
            onChange={(event) => setNotice(event.target.value)}
          />
        </label>
        <div className="mt-4 flex flex-wrap gap-3">
          {now.open ? (
            <button type="button" className="btn" disabled={busy} onClick={() => void turn(false)}>
              {say("closeShop")}
            </button>
          ) : (
            <>
              <button
                type="button"
                className="btn btn-primary"
                disabled={busy || now.blocking.length > 0}
                onClick={() => void turn(true)}
              >
                {say("openShop")}
              </button>
              {notice !== undefined && notice !== now.notice && (
                <button type="button" className="btn" disabled={busy} onClick={() => void turn(false)}>
                  {say("keepSentence")}
                </button>
              )}
            </>
          )}
        </div>
        <Said problems={problems} />
        {!now.open && <OpensAt now={now} />}
      </section>
      <WaitingEdition />
      <ChangesInBrief />
      <ReachInBrief />
      <section aria-label={say("whatStandsAgainstOpening")} className="mt-6 max-w-2xl">
        <h2 className="text-lg">
          {now.blocking.length === 0
            ? now.open
              ? say("nothingWouldStandAgainstOpening")
              : say("nothingStandsAgainstOpening")
            : now.open
              ? say("whatWouldStandAgainstOpening")
              : now.blocking.length === 1
                ? say("oneThingStandsAgainstOpening")
                : say("thingsStandAgainstOpening", { count: now.blocking.length })}
        </h2>
        <Against problems={now.blocking} />
        {now.inDraft.length > 0 && (
          <>
            <h2 className="mt-6 text-lg">{say("draftOncePublished")}</h2>
            <Against problems={now.inDraft} />
          </>
        )}
      </section>
      <EditionList />
    </>
  );
}

/** The time at which the shop opens by itself, by its own clock. */
function OpensAt({ now }: { now: Opening }) {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const path = { params: { path: { shop } } };
  const set = (view: Opening) => client.setQueryData(["opening", shop], view);
  const wait = useMutation({
    mutationFn: (at: string) => answer(api.PUT("/api/shops/{shop}/opening/waiting", { ...path, body: { at } })),
    onSuccess: set,
  });
  const callOff = useMutation({
    mutationFn: () => answer(api.DELETE("/api/shops/{shop}/opening/waiting", path)),
    onSuccess: set,
  });
  const { waiting } = now;
  if (waiting) {
    const at = new Intl.DateTimeFormat(deskLocale(), {
      dateStyle: "full",
      timeStyle: "short",
      timeZone: setup.shop.timeZone,
    }).format(new Date(waiting.at));
    return (
      <div className={`mt-4 border-s-4 ps-3 ${waiting.keptBack.length > 0 ? "border-error" : "border-accent"}`}>
        <p>
          {waiting.keptBack.length > 0 ? say("keptClosed", { at }) : say("opensAt", { at })}{" "}
          <TextButton onClick={() => callOff.mutate()}>{say("callItOff")}</TextButton>
        </p>
        <Said problems={waiting.keptBack} />
      </div>
    );
  }
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        wait.mutate(String(new FormData(event.currentTarget).get("at")));
      }}
    >
      <label>
        <span className="block text-xs quiet">
          {say("openAtLabel", { zone: timeZoneName(setup.shop.timeZone, deskLocale()) })}
        </span>
        <input type="datetime-local" name="at" className="inplace" required />
      </label>
      <button type="submit" className="btn btn-sm" disabled={wait.isPending}>
        {say("openThen")}
      </button>
      {wait.error != null && <Said problems={problemsOf(wait.error)} />}
    </form>
  );
}

/** Station by station, each with the way to the very field. */
function Against({ problems }: { problems: Problem[] }) {
  if (problems.length === 0) return null;
  const stations = [...new Set(problems.map(({ path }) => path.split("/")[0] ?? ""))];
  return stations.map((station) => (
    <div key={station} className="mt-2">
      <h3 className="text-sm font-semibold">{stationNames[station] ?? say("otherwise")}</h3>
      <AgainstStation problems={problems.filter(({ path }) => (path.split("/")[0] ?? "") === station)} />
    </div>
  ));
}

function AgainstStation({ problems }: { problems: Problem[] }) {
  const marks = useMarks();
  return (
    <ol>
      {problems.map((each) => (
        <li key={`${each.path} ${each.sentence}`} className="flex items-baseline gap-4 border-b border-base-300 py-2">
          <span className="flex-1">
            {each.sentence} <span className="quiet">{each.remedy}</span>
          </span>
          {each.path !== "shop" && <TextButton onClick={() => marks.goTo(each.path)}>{say("goThere")}</TextButton>}
        </li>
      ))}
    </ol>
  );
}
