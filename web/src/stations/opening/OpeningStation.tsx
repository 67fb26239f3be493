import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { StationHead } from "../../shared/StationHead";
import { useOpening } from "./useOpening";

const dateTime = new Intl.DateTimeFormat("en-GB", { dateStyle: "long", timeStyle: "short" });

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
      <StationHead title="Opening">
        <span>{now.edition ? `buyers meet edition ${now.edition}` : "nothing is published yet"}</span>
      </StationHead>
      <section aria-label="The door" className="max-w-2xl border-y border-base-300 py-4">
        <p className="font-head text-xl font-semibold">{now.open ? "The shop is open" : "The shop is closed"}</p>
        <p className="mt-1">
          {now.open ? (
            <>Since {now.since ? dateTime.format(new Date(now.since)) : "now"} anybody can order.</>
          ) : (
            <>Nobody can order but you, to try it. Orders already placed can still be paid and sent back.</>
          )}
        </p>
        <p className="mt-1">
          <a className="underline" href={counter} target="_blank" rel="noreferrer">
            {counter}
          </a>{" "}
          <span className="quiet">
            {now.open ? "is what buyers open." : "shows you the shop, and others that it is closed."}
          </span>
        </p>
        <label className="mt-3 block">
          <span className="block text-xs quiet">What a closed shop says, in a sentence of your own</span>
          <input
            className="inplace w-full"
            maxLength={400}
            placeholder="Back on Monday."
            value={notice ?? now.notice}
            onChange={(event) => setNotice(event.target.value)}
          />
        </label>
        <div className="mt-4 flex flex-wrap gap-3">
          {now.open ? (
            <button type="button" className="btn" disabled={busy} onClick={() => void turn(false)}>
              Close the shop
            </button>
          ) : (
            <>
              <button
                type="button"
                className="btn btn-primary"
                disabled={busy || now.blocking.length > 0}
                onClick={() => void turn(true)}
              >
                Open the shop
              </button>
              {notice !== undefined && notice !== now.notice && (
                <button type="button" className="btn" disabled={busy} onClick={() => void turn(false)}>
                  Keep the sentence
                </button>
              )}
            </>
          )}
        </div>
        <Said problems={problems} />
      </section>
      <section aria-label="What stands against opening" className="mt-6 max-w-2xl">
        <h2 className="text-lg">
          {now.blocking.length === 0
            ? now.open
              ? "Nothing would stand against opening it again"
              : "Nothing stands against opening"
            : now.open
              ? "What would stand against opening it again"
              : now.blocking.length === 1
                ? "One thing stands against opening"
                : `${now.blocking.length} things stand against opening`}
        </h2>
        <Against problems={now.blocking} />
        {now.inDraft.length > 0 && (
          <>
            <h2 className="mt-6 text-lg">In the draft, once it is published</h2>
            <Against problems={now.inDraft} />
          </>
        )}
      </section>
    </>
  );
}

/** Each with the way to the very field. */
function Against({ problems }: { problems: Problem[] }) {
  const bench = useBench();
  if (problems.length === 0) return null;
  return (
    <ol className="mt-2">
      {problems.map((each) => (
        <li key={`${each.path} ${each.sentence}`} className="flex items-baseline gap-4 border-b border-base-300 py-2">
          <span className="flex-1">
            {each.sentence} <span className="quiet">{each.remedy}</span>
          </span>
          {each.path !== "shop" && (
            <button type="button" className="cursor-pointer underline" onClick={() => bench.goTo(each.path)}>
              Go there
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
