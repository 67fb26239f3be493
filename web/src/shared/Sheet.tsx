import { type ClipboardEvent, Fragment, type ReactNode, useRef } from "react";
import { useSpotlight, useTroubles } from "../desk/bench";
import type { Cell } from "./cells";
import { Gap } from "./Gap";
import type { SetupPath } from "./paths";
import { useDrawnRows } from "./useDrawnRows";
import { type Column, type Row, useSheet } from "./useSheet";

export type { Column, Row } from "./useSheet";

const ROW_HEIGHT = 37;

interface Props<Id extends string> {
  label: string;
  corner: string;
  rows: Row[];
  columns: Column<Id>[];
  pathOf: (row: Row, column: Column<Id>) => SetupPath;
  textOf: (row: Row, column: Column<Id>) => string;
  /** Shown in a cell that holds nothing. */
  empty?: string;
  /** Texts a cell may be completed with while it is typed in. */
  suggest?: (row: Row, column: Column<Id>) => string[];
  /** Small type beside a cell's text. */
  smallOf?: (row: Row, column: Column<Id>) => string | undefined;
  openRow?: (row: Row) => void;
  /** What lies under a row, when it is unfolded. */
  unfold?: (row: Row) => ReactNode;
  openColumn?: (column: Column<Id>) => void;
  onActive?: (row: Row, column: Column<Id>) => void;
}

/** A sheet of cells: arrows move, typing or Enter edits, Enter and Tab keep, Escape leaves, a pasted block fills. */
export function Sheet<Id extends string>({
  label,
  corner,
  rows,
  columns,
  pathOf,
  textOf,
  empty = "",
  suggest,
  smallOf,
  openRow,
  unfold,
  openColumn,
  onActive,
}: Props<Id>) {
  const spotlight = useSpotlight();
  const troubles = useTroubles();
  const table = useRef<HTMLTableElement>(null);
  const { shown, above, below, long, reveal } = useDrawnRows(rows, table, ROW_HEIGHT);

  const sheet = useSheet({
    rows,
    columns,
    pathOf,
    textOf,
    ...(openRow ? { openRow } : {}),
    element: ([r, c]) => table.current?.querySelector<HTMLElement>(`[data-cell="${r}-${c}"]`),
    reveal,
  });
  const { active, typed } = sheet;

  /** Whether something concerns the cells, not a text being typed among them. */
  const onCells = (event: ClipboardEvent): boolean =>
    typed === null && !(event.target as HTMLElement).matches("input, select, textarea");

  /** What is suggested for the active cell and goes on from what is typed. */
  const completions = (text: string): string[] => {
    const cell = sheet.at(active);
    return cell && suggest
      ? [...new Set(suggest(cell.row, cell.column))]
          .filter((each) => each !== text && each.startsWith(text))
          .slice(0, 8)
      : [];
  };

  return (
    <div className="overflow-x-auto">
      <table
        ref={table}
        role="grid"
        aria-label={label}
        className="w-full min-w-[44rem] table-fixed border-collapse"
        onPaste={(event) => onCells(event) && sheet.paste(event.clipboardData.getData("text/plain"))}
        onCopy={(event) => {
          if (!onCells(event)) return;
          event.preventDefault();
          event.clipboardData.setData("text/plain", sheet.copied());
        }}
        aria-rowcount={rows.length + 1}
      >
        <thead>
          <tr className="border-b border-base-content align-bottom">
            <th scope="col" className="w-28 sm:w-44 py-1 pe-2 text-start text-xs font-semibold">
              {corner}
            </th>
            {columns.map((column) => (
              <th key={column.id} scope="col" className="px-2 py-1 text-start text-xs">
                <Head thing={column} open={openColumn && (() => openColumn(column))} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Gap height={above} span={columns.length + 1} />}
          {shown.map(([row, r]) => (
            <Fragment key={row.id}>
              <tr
                aria-rowindex={long ? r + 2 : undefined}
                className={`border-b border-base-300 ${active[0] === r && rows.length > 1 ? "lit" : "bg-base-100"}`}
              >
                <th scope="row" className="sticky start-0 z-5 bg-inherit py-0.5 pe-2 text-start leading-tight">
                  <Head thing={row} open={openRow && (() => openRow(row))} />
                </th>
                {columns.map((column, c) => {
                  const path = pathOf(row, column);
                  const text = textOf(row, column);
                  const cell: Cell = [r, c];
                  const here = sheet.isActive(cell);
                  const editing = here && typed !== null;
                  const small = smallOf?.(row, column);
                  const wrong =
                    troubles.problems.some((problem) => problem.path === path) ||
                    (troubles.problems.length > 0 && spotlight.at === path && editing);
                  return (
                    <td
                      key={column.id}
                      role="gridcell"
                      data-cell={`${r}-${c}`}
                      data-path={path}
                      tabIndex={here ? 0 : -1}
                      aria-label={`${row.name}, ${column.name}`}
                      aria-invalid={wrong || undefined}
                      aria-selected={here}
                      className={`relative h-9 border-s border-base-300 px-2 py-0.5 align-middle leading-tight wrap-anywhere ${here ? "outline-2 -outline-offset-1 outline-accent" : ""} ${column.figures === false ? "" : "font-mono text-xs"} ${text ? "" : "hatch quiet"} ${spotlight.lit.has(path) || sheet.isMarked(cell) ? "lit" : ""} ${wrong ? "outline-2 outline-error" : ""}`}
                      onFocus={() => {
                        if (typed !== null && here) return;
                        sheet.onFocus(cell);
                        onActive?.(row, column);
                      }}
                      onMouseDown={(event) => {
                        if (event.shiftKey) {
                          event.preventDefault();
                          sheet.move(cell, true);
                        } else sheet.unmark();
                      }}
                      onDoubleClick={() => sheet.type(cell, text)}
                      onKeyDown={(event) => sheet.onCellKey(event, cell)}
                    >
                      {editing && column.choices ? (
                        <select
                          autoFocus
                          aria-label={`${row.name}, ${column.name}`}
                          className="absolute inset-0 bg-base-100 px-1"
                          value={typed}
                          onChange={(event) => sheet.choose(cell, event.target.value)}
                          onBlur={sheet.stopChoosing}
                          onKeyDown={(event) => event.key === "Escape" && sheet.leave()}
                        >
                          {column.choices.map((choice) => (
                            <option key={choice.id} value={choice.id}>
                              {choice.name}
                            </option>
                          ))}
                        </select>
                      ) : editing ? (
                        <input
                          autoFocus
                          aria-label={`${row.name}, ${column.name}`}
                          aria-invalid={wrong || undefined}
                          aria-describedby="sheet-reading"
                          list={suggest ? "sheet-suggestions" : undefined}
                          className="absolute inset-0 z-10 min-w-full border-2 border-accent bg-base-100 px-2 font-mono text-xs outline-none"
                          value={typed}
                          size={Math.max(10, typed.length)}
                          onChange={(event) => sheet.type(cell, event.target.value)}
                          onKeyDown={(event) => void sheet.onInputKey(event, cell)}
                          onBlur={() => void sheet.keep(cell)}
                        />
                      ) : (
                        <>
                          {(column.choices?.find((choice) => choice.id === text)?.name ?? text) || (
                            <span className="font-sans">{empty}</span>
                          )}
                          {small && <span className="ms-2 font-sans text-xs quiet">{small}</span>}
                        </>
                      )}
                    </td>
                  );
                })}
              </tr>
              {unfold?.(row) && (
                <tr>
                  <td colSpan={columns.length + 1} className="bg-base-100">
                    {unfold(row)}
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
          {below > 0 && <Gap height={below} span={columns.length + 1} />}
        </tbody>
      </table>
      {suggest && typed !== null && (
        <datalist id="sheet-suggestions">
          {completions(typed).map((text) => (
            <option key={text} value={text} />
          ))}
        </datalist>
      )}
    </div>
  );
}

function Head({ thing, open }: { thing: Row; open?: () => void }) {
  const inside = (
    <>
      <span className="block truncate font-semibold">{thing.name}</span>
      {thing.note && <span className="block truncate text-xs font-normal quiet">{thing.note}</span>}
    </>
  );
  return open ? (
    <button
      type="button"
      className="w-full cursor-pointer text-start hover:underline"
      onClick={open}
      title={thing.note}
    >
      {inside}
    </button>
  ) : (
    inside
  );
}
