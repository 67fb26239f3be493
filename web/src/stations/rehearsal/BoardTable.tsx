import { type KeyboardEvent, useRef } from "react";
import type { Destination } from "../../api/client";
import { useBench, useMarks } from "../../desk/bench";
import { Gap } from "../../shared/Gap";
import { usePlaceNames } from "../../shared/PlacesField";
import { countryName, inWords } from "../../shared/places";
import { say } from "../../shared/say";
import { useDrawnRows } from "../../shared/useDrawnRows";
import { type Cell, type Figure, type Filter, matches, type Pin, samePlace, shown } from "./figures";
import { type BoardRow, useMoved } from "./useBoard";

interface Props {
  board: { rows: BoardRow[] };
  places: Destination[];
  figure: Figure;
  filter: Filter;
  chosen: [string, number] | undefined;
  choose: (chosen: [string, number]) => void;
}

/** A board of more rows is drawn only where it can be seen: each has a cell a place. */
const LONG = 30;
const ROW_HEIGHT = 31;

/** Sample orders down, places across, one figure a cell; a cell that is pointed at is on the ticket. */
export function BoardTable({ board, places, figure, filter, chosen, choose }: Props) {
  const { setup } = useBench();
  const marks = useMarks();
  const moved = useMoved();
  const { nameOf } = usePlaceNames();
  const { baskets, pins } = setup.rehearsal;
  const rows = baskets
    .map((basket) => ({ basket, row: board.rows.find((each) => each.basket === basket.id) }))
    .filter(({ row }) => filter === "all" || (row?.cells.some((cell) => matches(cell, figure, filter)) ?? false));
  const table = useRef<HTMLTableElement>(null);
  const { shown: drawn, above, below, long, reveal, measure } = useDrawnRows(rows, table, ROW_HEIGHT, LONG);
  const show = (basket: string, place: number) => {
    const to = places[place];
    if (!to) return;
    choose([basket, place]);
    marks.showOrder(basket, to);
  };
  const onKey = (event: KeyboardEvent<HTMLElement>, r: number, c: number) => {
    const [down, right] =
      { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key] ?? [];
    if (down === undefined || right === undefined) return;
    event.preventDefault();
    const next = () => table.current?.querySelector<HTMLElement>(`[data-board="${r + down}-${c + right}"]`);
    if (next() || !reveal || !rows[r + down]) {
      next()?.focus();
      return;
    }
    // It is drawn once it has come near.
    reveal(r + down);
    requestAnimationFrame(() => next()?.focus());
  };
  const at = (r: number, c: number): boolean =>
    chosen ? rows[r]?.basket.id === chosen[0] && c === chosen[1] : r === 0 && c === 0;
  return (
    <div className="overflow-x-auto">
      <table
        ref={table}
        role="grid"
        aria-label={say("board")}
        aria-rowcount={rows.length + 1}
        className="w-full border-collapse"
      >
        <thead>
          <tr className="border-b border-base-content align-bottom">
            <th scope="col" className="w-44 py-1 pe-2 text-start text-xs font-semibold">
              {say("boardBasket")}
            </th>
            {places.map((to) => (
              <th key={inWords(to, nameOf)} scope="col" className="min-w-20 px-2 py-1 text-end text-xs">
                {to.region ? nameOf(to.region) : (to.postcode ?? countryName(to.country))}
                {(to.region || to.postcode) && (
                  <span className="block font-normal quiet">
                    {to.region && to.postcode && `${to.postcode}, `}
                    {countryName(to.country)}
                  </span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Gap height={above} span={places.length + 1} />}
          {drawn.map(([{ basket, row }, r]) => (
            <tr
              key={basket.id}
              ref={measure}
              data-index={r}
              aria-rowindex={long ? r + 2 : undefined}
              className="border-b border-base-300"
            >
              <th
                scope="row"
                className="sticky start-0 z-5 bg-base-100 py-1.5 pe-2 text-start leading-tight font-semibold"
              >
                {basket.name}
                {basket.monthly != null && (
                  <span className="block text-xs font-normal quiet">{say("aMonth", { count: basket.monthly })}</span>
                )}
              </th>
              {places.map((to, c) => {
                const cell = row?.cells[c];
                const own = pins.filter((pin) => pin.basket === basket.id && samePlace(pin.to, to));
                return (
                  <td
                    key={inWords(to, nameOf)}
                    role="gridcell"
                    data-board={`${r}-${c}`}
                    tabIndex={at(r, c) ? 0 : -1}
                    aria-selected={chosen?.[0] === basket.id && chosen[1] === c}
                    aria-label={`${basket.name}, ${inWords(to, nameOf)}${own.length > 0 ? `, ${say("isPinned")}` : ""}`}
                    className={`relative min-h-9 cursor-pointer border-s border-base-300 px-2 py-1 text-end align-middle leading-tight ${cell?.now.hole ? "hatch" : ""} ${cell?.live ? "lit" : ""} ${chosen?.[0] === basket.id && chosen[1] === c ? "outline-2 -outline-offset-1 outline-accent" : ""}`}
                    onClick={() => show(basket.id, c)}
                    onFocus={() => show(basket.id, c)}
                    onKeyDown={(event) => onKey(event, r, c)}
                  >
                    <Corner pins={own} moved={moved.data?.map(({ pin }) => pin) ?? []} />
                    {cell && (matches(cell, figure, filter) ? <Shown cell={cell} figure={figure} /> : <Left />)}
                  </td>
                );
              })}
            </tr>
          ))}
          {below > 0 && <Gap height={below} span={places.length + 1} />}
        </tbody>
      </table>
      {rows.length === 0 && <p className="py-4 quiet">{say("noCellIsSo")}</p>}
    </div>
  );
}

/** A stitch in the corner of a cell of which a figure is pinned; in madder where one moved. */
function Corner({ pins, moved }: { pins: Pin[]; moved: string[] }) {
  if (pins.length === 0) return null;
  const gone = pins.some(({ id }) => moved.includes(id));
  return (
    <span
      aria-hidden="true"
      className={`absolute start-1 top-1 size-2 border-s-2 border-t-2 ${gone ? "border-error" : "border-base-content"}`}
    />
  );
}

/** A cell that is none of those looked for. */
const Left = () => <span className="quiet">·</span>;

/** The figures a carrier's answer moves. */
const moves: Figure[] = ["toPay", "delivery", "tax", "keep"];

/** What a cell says; what is another live is struck above it. */
function Shown({ cell, figure }: { cell: Cell; figure: Figure }) {
  const now = shown(cell.now, figure);
  const live = cell.live ? shown(cell.live, figure) : undefined;
  const loss = figure === "keep" && Number(cell.now.keep ?? 0) < 0;
  if (cell.now.hole)
    return (
      <span className="line-clamp-3 text-start text-xs" title={cell.now.hole}>
        {live && <s className="figure me-1">{live}</s>}
        {cell.now.hole}
      </span>
    );
  return (
    <>
      {cell.live && live !== now && (
        <s className="figure block text-xs quiet">
          <span className="sr-only">{say("liveIs")} </span>
          {live ?? say("notToBeHad")}
        </s>
      )}
      <span className={`figure ${cell.live && live !== now ? "font-bold" : ""} ${loss ? "font-bold text-error" : ""}`}>
        {cell.now.standsIn && moves.includes(figure) && (
          <>
            <span aria-hidden="true" title={say("standsIn")}>
              ≈{" "}
            </span>
            <span className="sr-only">{say("standsIn")} </span>
          </>
        )}
        {now ?? "–"}
      </span>
    </>
  );
}
