import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ChangedGroup, type Changes, problemsOf } from "../../api/client";
import { useBench, useMarks } from "../../desk/bench";
import { signed as difference } from "../../shared/money";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { StationChanges } from "../shop/StationChanges";
import { ChangedOrders } from "./ChangedOrders";
import { SpreadPicture } from "./SpreadPicture";
import { type Compared, useChanges } from "./useChanges";
import { useTaxedAtHome } from "./useTaxedAtHome";

const signed = (amount: string, currency: string): string => difference(amount, currency, deskLocale());

/**
 * What the draft, or an edition, changes: in the setup station by station, and for orders grouped by cause.
 *
 * @param quiet while other work is under way that it would stop
 */
export function WhatChanges({ start = {}, quiet = false }: { start?: Compared; quiet?: boolean }) {
  const { draft } = useBench();
  const [compared, setCompared] = useState<Compared>(start);
  const differs =
    draft.changes > 0 || compared.before !== undefined || compared.after !== undefined || compared.passed === true;
  const [asked, setAsked] = useState(false);
  const published = draft.edition != null;
  const { view, error, stop, again } = useChanges(compared, published && !quiet && (differs || asked));
  if (!published) return null;
  return (
    <section aria-label={say("whatChanges")} className="mb-6 border-b border-base-300 pb-4">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-base">{say("whatChanges")}</h2>
        <Choices compared={compared} choose={setCompared} first={view?.first ?? undefined} />
      </div>
      {error != null && <Said problems={problemsOf(error)} />}
      {!differs && !asked && (
        <p className="quiet">
          {say("nothingChangedYet")} <TextButton onClick={() => setAsked(true)}>{say("askAnyway")}</TextButton>
        </p>
      )}
      {view && <Result view={view} compared={compared} stop={stop} again={again} />}
    </section>
  );
}

/** Which setups, which orders, and as of which day. */
function Choices({
  compared,
  choose,
  first,
}: {
  compared: Compared;
  choose: (compared: Compared) => void;
  first: string | undefined;
}) {
  const { shop, draft } = useBench();
  const home = useTaxedAtHome();
  const editions = useQuery({
    queryKey: ["editions", shop, draft.edition],
    queryFn: () => answer(api.GET("/api/shops/{shop}/editions", { params: { path: { shop } } })),
  });
  const side = (name: "before" | "after", none: string) => (
    <label>
      <span className="quiet text-xs">{say(name === "before" ? "comparedFrom" : "comparedTo")} </span>
      <select
        className="inplace"
        value={compared[name] ?? ""}
        onChange={(event) => {
          const { [name]: _, ...rest } = compared;
          choose(event.target.value ? { ...rest, [name]: Number(event.target.value) } : rest);
        }}
      >
        <option value="">{none}</option>
        {editions.data?.map(({ number }) => (
          <option key={number} value={number}>
            {say("editionNumbered", { number })}
          </option>
        ))}
      </select>
    </label>
  );
  const day = (name: "from" | "to" | "asOf", label: string) => (
    <label>
      <span className="quiet text-xs">{label} </span>
      <input
        type="date"
        className="inplace"
        min={name === "asOf" ? undefined : first}
        value={compared[name] ?? ""}
        onChange={(event) => {
          const { [name]: _, ...rest } = compared;
          choose(event.target.value ? { ...rest, [name]: event.target.value } : rest);
        }}
      />
    </label>
  );
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm">
      {side("before", say("comparedLive"))}
      {side("after", say("theDraft"))}
      <label>
        <span className="quiet text-xs">{say("comparedOver")} </span>
        <select
          className="inplace"
          value={compared.of ?? "orders"}
          onChange={(event) => choose({ ...compared, of: event.target.value as "orders" | "baskets" })}
        >
          <option value="orders">{say("ordersTaken")}</option>
          <option value="baskets">{say("sampleOrders")}</option>
        </select>
      </label>
      {compared.of !== "baskets" && (
        <>
          {day("from", say("takenFrom"))}
          {day("to", say("takenTo"))}
        </>
      )}
      {day("asOf", say("askedAsOf"))}
      {(home || compared.passed) && (
        <label>
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={compared.passed ?? false}
            onChange={(event) => {
              const { passed: _, ...rest } = compared;
              choose(event.target.checked ? { ...rest, passed: true } : rest);
            }}
          />{" "}
          {say("asIfPassed")}
        </label>
      )}
    </div>
  );
}

interface ResultProps {
  view: Changes;
  compared: Compared;
  stop: () => void;
  again: () => void;
}

function Result({ view, compared, stop, again }: ResultProps) {
  const { shop } = useBench();
  if (view.same) return <p className="quiet">{say("bothSetupsAreTheSame")}</p>;
  const changed = view.sums.reduce((sum, each) => sum + each.changed, 0);
  return (
    <>
      <Progress view={view} stop={stop} again={again} />
      {view.state === "done" && view.total === 0 && <p className="quiet">{say("noOrdersToAsk")}</p>}
      {view.state === "done" && view.total > 0 && changed === 0 && view.groups.length === 0 && (
        <p>{say("noOrderChanges", { total: view.total })}</p>
      )}
      {view.sums
        .filter(() => changed > 0 || view.state !== "done")
        .map((sum) => (
          <div key={sum.currency} className="mt-2">
            <p>
              {say("ordersDiffer", { changed: sum.changed, compared: sum.compared })}{" "}
              {say("sumsMove", {
                pay: signed(sum.by.payable, sum.currency),
                tax: signed(sum.by.tax, sum.currency),
                delivery: signed(sum.by.delivery, sum.currency),
                keep: signed(sum.by.keep, sum.currency),
              })}
            </p>
            <SpreadPicture
              currency={sum.currency}
              bins={view.spreads.find(({ currency }) => currency === sum.currency)?.bins ?? []}
            />
          </div>
        ))}
      <Groups groups={view.groups} compared={compared} />
      {view.stations.length > 0 && (
        <details className="mt-2">
          <summary className="cursor-pointer text-sm">{say("whatDiffersInSetup")}</summary>
          <StationChanges changes={view.stations} />
        </details>
      )}
      {view.state === "done" && view.groups.length > 0 && (
        <a className="text-xs underline" href={`/api/shops/${shop}/changes.csv`} download>
          {say("changesToFile")}
        </a>
      )}
    </>
  );
}

function Progress({ view, stop, again }: Omit<ResultProps, "compared">) {
  if (view.state === "done") return null;
  return (
    <p className="flex flex-wrap items-center gap-3" role="status">
      <progress
        className="progress progress-accent w-48"
        value={view.done}
        max={Math.max(1, view.total)}
        aria-label={say("ordersAsked")}
      />
      <span>{say("askedOf", { done: view.done, total: view.total })}</span>
      {view.state === "running" ? (
        <TextButton onClick={stop}>{say("stop")}</TextButton>
      ) : (
        <TextButton onClick={again}>{view.state === "failed" ? say("tryAgain") : say("goOn")}</TextButton>
      )}
    </p>
  );
}

/** Orders by their cause, those with most first; a group opens to its orders. */
function Groups({ groups, compared }: { groups: ChangedGroup[]; compared: Compared }) {
  const marks = useMarks();
  const [open, setOpen] = useState<string>();
  if (groups.length === 0) return null;
  const keyOf = (group: ChangedGroup) => `${group.currency} ${group.kind} ${group.cause.path}`;
  return (
    <div className="overflow-x-auto">
      <table className="mt-2 w-full text-sm">
        <thead>
          <tr className="border-b border-base-content text-xs">
            <th scope="col" className="py-1 text-start">
              {say("cause")}
            </th>
            <th scope="col" className="px-2 text-end">
              {say("orders")}
            </th>
            <th scope="col" className="px-2 text-end">
              {say("each")}
            </th>
            <th scope="col" className="px-2 text-end">
              {say("buyersPay")}
            </th>
            <th scope="col" className="ps-2 text-end">
              {say("youKeepHead")}
            </th>
          </tr>
        </thead>
        <tbody>
          {groups.flatMap((group) => {
            const key = keyOf(group);
            return [
              <tr key={key} className="border-b border-base-300 align-baseline">
                <th scope="row" className="py-1 text-start font-normal">
                  <button
                    type="button"
                    aria-expanded={open === key}
                    className="cursor-pointer text-start underline underline-offset-2"
                    onClick={() => setOpen(open === key ? undefined : key)}
                  >
                    {nameOf(group)}
                  </button>{" "}
                  {group.kind === "differs" && group.cause.path.includes("/") && (
                    <TextButton onClick={() => marks.goTo(group.cause.path)}>{say("goThere")}</TextButton>
                  )}
                </th>
                <td className="figure px-2 text-end">{group.orders}</td>
                <td className="figure px-2 text-end">
                  {group.kind !== "differs"
                    ? ""
                    : group.least === group.most
                      ? signed(group.least, group.currency)
                      : `${signed(group.least, group.currency)} … ${signed(group.most, group.currency)}`}
                </td>
                <td className="figure px-2 text-end">{signed(group.by.payable, group.currency)}</td>
                <td className={`figure ps-2 text-end ${group.by.keep.startsWith("-") ? "text-error" : ""}`}>
                  {signed(group.by.keep, group.currency)}
                </td>
              </tr>,
              ...(open === key
                ? [
                    <tr key={`${key} open`}>
                      <td colSpan={5}>
                        <ChangedOrders group={group} compared={compared} />
                      </td>
                    </tr>,
                  ]
                : []),
            ];
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What a group is called: what the field belongs to and what it is; or why an order can no longer be had. */
function nameOf({ kind, cause }: ChangedGroup): string {
  // What a band of a rate is called says less than which rate it is.
  const parts = cause.path.includes("/rates/") ? cause.names : [...cause.names, cause.label];
  const about = parts.filter((part, at, all) => all.indexOf(part) === at).join(", ");
  return kind === "lost"
    ? say("noLongerToBeHad", { reason: cause.label })
    : kind === "won"
      ? say("nowToBeHad", { reason: cause.label })
      : about;
}
