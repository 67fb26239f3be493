import { type FormEvent, useState } from "react";
import { type Destination, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { usePlaceNames } from "../../shared/PlacesField";
import { inWords } from "../../shared/places";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { DressGrid } from "./DressGrid";
import { samePlace } from "./figures";
import type { DressCell, useDress } from "./useDress";

interface Props {
  dress: ReturnType<typeof useDress>;
  places: Destination[];
  chosen: [basket: string, place: number] | undefined;
}

/** Practice orders of chosen cells through the whole application, and what of it held. */
export function DressRehearsal({ dress, places, chosen }: Props) {
  const { setup } = useBench();
  const { nameOf } = usePlaceNames();
  const { baskets } = setup.rehearsal;
  const [which, setWhich] = useState<"all" | "cell" | "row" | "column">("all");
  const { view, begin, stop } = dress;
  const [basket, place] = chosen ?? [];
  const to = place === undefined ? undefined : places[place];
  const sample = baskets.find(({ id }) => id === basket);
  const meant = sample && to ? which : "all";
  const cells: DressCell[] = baskets
    .filter(({ id }) => meant === "all" || meant === "column" || id === basket)
    .flatMap(({ id }) =>
      places
        .filter((each) => meant === "all" || meant === "row" || (to !== undefined && samePlace(each, to)))
        .map((each) => ({ basket: id, to: each })),
    );
  const running = view?.state === "running";
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    begin.mutate(cells);
  };
  return (
    <>
      <form className="flex flex-wrap items-end gap-x-5 gap-y-2" onSubmit={submit}>
        <label>
          <span className="block text-xs quiet">{say("dressWhich")}</span>
          <select
            className="inplace max-w-full"
            value={meant}
            onChange={(event) => setWhich(event.target.value as typeof which)}
          >
            <option value="all">{say("dressAll", { count: baskets.length * places.length })}</option>
            {sample && to && (
              <>
                <option value="cell">
                  {sample.name}, {inWords(to, nameOf)}
                </option>
                <option value="row">{say("dressRow", { basket: sample.name })}</option>
                <option value="column">{say("dressColumn", { place: inWords(to, nameOf) })}</option>
              </>
            )}
          </select>
        </label>
        <button type="submit" className="btn btn-sm" disabled={begin.isPending || running || cells.length === 0}>
          {view?.state === "stopped" ? say("dressGoOn") : say("dressBegin")}
        </button>
        {running && <TextButton onClick={stop}>{say("stop")}</TextButton>}
      </form>
      {begin.error != null && <Said problems={problemsOf(begin.error)} />}
      {view ? (
        <div className="mt-3">
          <p role="status" className="flex flex-wrap items-center gap-x-3">
            {running && (
              <progress
                className="progress progress-accent w-48"
                value={view.done}
                max={Math.max(1, view.cells)}
                aria-label={say("dressCellsDone")}
              />
            )}
            {running && say("dressSoFar", { done: view.done, cells: view.cells })}
            {running && dress.minutesLeft !== undefined && (
              <span className="quiet">{say("dressMinutesLeft", { minutes: dress.minutesLeft })}</span>
            )}
            {view.state === "stopped" && <span>{say("stoppedHere")}</span>}
            {view.state === "failed" && <span className="text-error">{say("dressFailed")}</span>}
            {!view.sameDraft && <span className="text-error">{say("dressOfEarlierDraft")}</span>}
          </p>
          <DressGrid view={view} page={dress.page} turn={dress.setPage} />
        </div>
      ) : (
        <p className="mt-2 max-w-2xl text-sm quiet">{say("dressWhat")}</p>
      )}
    </>
  );
}
