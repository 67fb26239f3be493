import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useEffect, useId } from "react";
import { answer, api, type Destination, problemsOf } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { usePlaceNames } from "../../shared/PlacesField";
import { idFrom, setupPath } from "../../shared/paths";
import { inWords } from "../../shared/places";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { type Cell, type Figure, figures, type Pin, samePlace, shown } from "./figures";

interface Props {
  basket: string;
  cell: Cell;
  to: Destination;
  figure: Figure;
}

/** The way into the counter with the sample order in the basket, to be walked by hand as a buyer would. */
function WalkIt({ basket }: { basket: string }) {
  const { shop, draft } = useBench();
  const prepare = useMutation({
    mutationFn: async () => {
      const place = await answer(api.POST("/api/shops/{shop}/dress-rehearsal/stage", { params: { path: { shop } } }));
      const { link } = await answer(
        api.POST("/api/shops/{shop}/elsewhere", {
          params: { path: { shop: place.shop } },
          body: { basket, codes: [] },
        }),
      );
      return { link, post: place.post };
    },
  });
  // What is prepared is of the draft as it was.
  const { reset } = prepare;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another draft is the reason
  useEffect(reset, [draft.version, basket]);
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-4 text-sm" aria-live="polite">
      {prepare.data ? (
        <>
          <a className="underline" href={prepare.data.link} target="_blank" rel="noreferrer">
            {say("counterWithBasket")}
          </a>
          <a className="underline" href={prepare.data.post} target="_blank" rel="noreferrer">
            {say("postRoomBeside")}
          </a>
        </>
      ) : (
        <TextButton disabled={prepare.isPending} onClick={() => prepare.mutate()}>
          {say("walkAtCounter")}
        </TextButton>
      )}
      <span className="quiet">{say("walkAtCounterNote")}</span>
      {prepare.error != null && <Said problems={problemsOf(prepare.error)} />}
    </p>
  );
}

const day = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "long", timeZone: "UTC" });

/** What a pin keeps from outside. */
function KeptWith({ pin: { outside } }: { pin: Pin }) {
  if (!outside) return null;
  const rates = outside.exchange != null;
  const carriers = Object.keys(outside.carriers?.amounts ?? {}).length > 0;
  return (
    <span className="text-xs quiet">
      {" "}
      {say("keptFromOutside", {
        rates: rates ? "yes" : "no",
        carriers: carriers ? "yes" : "no",
        both: rates && carriers ? "yes" : "no",
        day: outside.exchange ? day.format(new Date(outside.exchange.day)) : "",
      })}
    </span>
  );
}

/** The cell pointed at in words, and the pins of it: figures that have to stay, with a sentence why. */
export function ChosenCell({ basket, cell, to, figure }: Props) {
  const { shop, setup } = useBench();
  const acts = useActs();
  const id = useId();
  const { nameOf } = usePlaceNames();
  const sample = setup.rehearsal.baskets.find((each) => each.id === basket);
  const { pins } = setup.rehearsal;
  const own = pins.filter((pin) => pin.basket === basket && samePlace(pin.to, to));
  const { pinned, name } = figures.find((each) => each.id === figure) ?? {};
  const keep = useMutation({
    mutationFn: (figure: Pin["figure"]) =>
      answer(api.POST("/api/shops/{shop}/board/pin", { params: { path: { shop } }, body: { basket, to, figure } })),
  });
  if (!sample) return null;
  const open = pinned && !own.some((pin) => pin.figure === pinned);
  const pin = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (!pinned) return;
    const reason = String(new FormData(event.currentTarget).get("reason") ?? "").trim();
    const { at, value, outside } = await keep.mutateAsync(pinned);
    const made = idFrom(
      `${basket} ${to.country} ${to.postcode ?? ""} ${pinned}`,
      pins.map((each) => each.id),
    );
    void acts.set(setupPath("rehearsal", "pins", made), {
      id: made,
      basket,
      to,
      at,
      figure: pinned,
      ...(value == null ? {} : { value }),
      ...(outside ? { outside } : {}),
      reason,
    });
  };
  return (
    <section aria-label={say("cellPointedAt")} className="mt-4 border-t border-base-300 pt-3">
      <h2 className="text-base">
        {sample.name}, {inWords(to, nameOf)}
      </h2>
      {cell.now.hole ? (
        <p className="text-error">{cell.now.hole}</p>
      ) : (
        <dl className="flex flex-wrap gap-x-6">
          {figures.map((each) => (
            <div key={each.id} className="flex items-baseline gap-1.5">
              <dt className="text-xs quiet">{each.name}</dt>
              <dd className="figure">{shown(cell.now, each.id) ?? "–"}</dd>
            </div>
          ))}
        </dl>
      )}
      {own.map((each) => (
        <p key={each.id} className="mt-1 flex flex-wrap items-baseline gap-x-3">
          <span>
            {say("pinnedAt", {
              figure: figures.find(({ pinned }) => pinned === each.figure)?.name ?? say("figureWay"),
              value: each.value ?? say("notToBeHad"),
            })}
            {each.reason && <span className="quiet"> {each.reason}</span>}
            <KeptWith pin={each} />
          </span>
          <TextButton onClick={() => void acts.set(setupPath("rehearsal", "pins", each.id), undefined)}>
            {say("takePinOut")}
          </TextButton>
        </p>
      ))}
      {open && (
        <form className="mt-2 flex flex-wrap items-end gap-3" onSubmit={(event) => void pin(event)}>
          <div>
            <label htmlFor={id} className="block text-xs quiet">
              {say("whyItHasToStay")}
            </label>
            <input id={id} name="reason" className="inplace w-80 max-w-full" maxLength={300} autoComplete="off" />
          </div>
          <button type="submit" className="btn btn-sm">
            {say("pinFigure", { figure: name ?? "" })}
          </button>
        </form>
      )}
      <WalkIt basket={basket} />
      {keep.error != null && <Said problems={problemsOf(keep.error)} />}
      {cell.now.standsIn && <p className="mt-1 text-xs quiet">{say("standsInNote")}</p>}
    </section>
  );
}
