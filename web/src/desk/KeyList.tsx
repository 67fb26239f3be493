import type { RefObject } from "react";

const keys: [string, string][] = [
  ["/", "find a place, a good, a setting, an order"],
  ["Alt 1 … 7", "go to a station"],
  ["Alt T", "go to the ticket"],
  ["[  ]", "previous, next basket"],
  ["Y", "open or fold the why of the ticket row"],
  ["Arrows", "move in a sheet"],
  ["Enter, F2", "edit a cell; Enter again keeps it"],
  ["Escape", "leave a cell as it was"],
  ["Shift Arrows", "mark several cells"],
  ["Space", "unfold the row of a cell"],
  ["Ctrl C, Ctrl V", "copy what is marked; fill cells from a copied block"],
  ["Ctrl D", "fill down from the first row marked, or from the cell above"],
  ["Delete", "empty what is marked"],
  ["Ctrl Z", "undo in the draft"],
  ["Ctrl Shift Z", "redo"],
  ["Ctrl Enter", "publish"],
  ["?", "this list"],
];

export function KeyList({ dialog }: { dialog: RefObject<HTMLDialogElement | null> }) {
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="keys">
      <div className="modal-box">
        <h2 id="keys" className="mb-3 text-xl">
          Keys
        </h2>
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
          {keys.map(([key, what]) => (
            <div key={key} className="contents">
              <dt>
                <kbd className="kbd kbd-sm">{key}</kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <form method="dialog" className="modal-action">
          <button type="submit" className="btn btn-ghost">
            Close
          </button>
        </form>
      </div>
    </dialog>
  );
}
