import { useEffect, useState } from "react";
import type { Destination } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Fold } from "../../shared/Fold";
import { StationHead } from "../../shared/StationHead";
import { say } from "../../shared/say";
import { BoardTable } from "./BoardTable";
import { ChosenCell } from "./ChosenCell";
import { CoveringSet } from "./CoveringSet";
import { DeliveryInPrice } from "./DeliveryInPrice";
import { DressRehearsal } from "./DressRehearsal";
import { type Figure, type Filter, figures } from "./figures";
import { MovedPins } from "./MovedPins";
import { PlacesAcross } from "./PlacesAcross";
import { PlacesReached } from "./PlacesReached";
import { useBoard } from "./useBoard";
import { useDress } from "./useDress";
import { usePlaces } from "./usePlaces";
import { WhatChanges } from "./WhatChanges";

const filters: { id: Filter; name: string }[] = [
  { id: "all", name: say("everyCell") },
  { id: "differs", name: say("onlyWhatDiffers") },
  { id: "holes", name: say("onlyHoles") },
  { id: "losses", name: say("onlyLosses") },
];

/** The whole board as a file. */
const fileOf = (shop: string, places: Destination[]): string =>
  `/api/shops/${shop}/board.csv?${new URLSearchParams(
    places.map((to) => ["place", [to.country, to.region ?? "", to.postcode ?? ""].join(";")]),
  ).toString()}`;

/** Every sample order at every place: what a change does is seen before it is published. */
export function RehearsalStation() {
  const { shop, setup } = useBench();
  const { baskets } = setup.rehearsal;
  const places = usePlaces();
  const board = useBoard(places.shown);
  const dress = useDress();
  const [figure, setFigure] = useState<Figure>("toPay");
  const [filter, setFilter] = useState<Filter>("all");
  const [chosen, setChosen] = useState<[basket: string, place: number]>();
  useEffect(() => {
    if (chosen && chosen[1] >= places.shown.length) setChosen(undefined);
  }, [chosen, places.shown.length]);
  const row = chosen && board.rows.find((each) => each.basket === chosen[0]);
  const cell = chosen && row?.cells[chosen[1]];
  const to = chosen && places.shown[chosen[1]];
  return (
    <>
      <StationHead title={say("rehearsal")}>
        <div role="radiogroup" aria-label={say("figureOfBoard")} className="flex flex-wrap gap-x-4">
          {figures.map(({ id, name }) => (
            <label
              key={id}
              className={`cursor-pointer py-1 has-focus-visible:outline-2 ${figure === id ? "border-b-2 border-accent font-semibold text-base-content" : ""}`}
            >
              <input
                type="radio"
                name="figure"
                className="sr-only"
                checked={figure === id}
                onChange={() => setFigure(id)}
              />
              {name}
            </label>
          ))}
        </div>
      </StationHead>
      <MovedPins />
      {dress.known && <WhatChanges quiet={dress.view?.state === "running"} />}
      {baskets.length === 0 ? (
        <p className="max-w-xl py-6 quiet">{say("noBasketsYet")}</p>
      ) : (
        <>
          <BoardTable
            board={board}
            places={places.shown}
            figure={figure}
            filter={filter}
            chosen={chosen}
            choose={setChosen}
          />
          <p className="mt-2 flex flex-wrap items-baseline gap-x-4 text-xs quiet">
            <span>{say("basketsAndPlaces", { baskets: baskets.length, places: places.shown.length })}</span>
            {filters.map(({ id, name }) => (
              <button
                key={id}
                type="button"
                aria-pressed={filter === id}
                className={`cursor-pointer underline underline-offset-2 ${filter === id ? "font-semibold decoration-2" : ""}`}
                onClick={() => setFilter(id)}
              >
                {name}
              </button>
            ))}
            {places.shown.length > 0 && (
              <a className="underline" href={fileOf(shop, places.shown)} download>
                {say("boardToFile")}
              </a>
            )}
            {board.busy && <span role="status">{say("boardFills")}</span>}
          </p>
          {row && cell && to && <ChosenCell basket={row.basket} cell={cell} to={to} figure={figure} />}
          <PlacesAcross places={places} />
          <Fold title={say("dressRehearsal")} note={say("dressRehearsalNote")} open={dress.view !== undefined}>
            <DressRehearsal dress={dress} places={places.shown} chosen={chosen} />
          </Fold>
          <Fold title={say("coveringSet")} note={say("coveringNote")} late>
            <CoveringSet />
          </Fold>
          <Fold title={say("deliveryInPrice")} note={say("deliveryInPriceNote")} late>
            <DeliveryInPrice />
          </Fold>
          <Fold title={say("whereToBeHad")} note={say("whereToBeHadNote")} late>
            <PlacesReached />
          </Fold>
        </>
      )}
    </>
  );
}
