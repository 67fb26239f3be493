import type { RefObject } from "react";
import { say } from "../shared/say";

const keys: [string, string][] = [
  ["/", say("findPlaceGoodSettingOrder")],
  [say("keysOfStations"), say("goStation")],
  [say("altT"), say("goTicket")],
  ["[  ]", say("previousNextBasket")],
  ["Y", say("openOrFoldWhyTicket")],
  [say("arrows"), say("moveSheet")],
  [say("keysOfEditing"), say("editCellEnterAgainKeeps")],
  [say("escape"), say("leaveCellAsWas")],
  [say("shiftArrows"), say("markSeveralCells")],
  [say("space"), say("unfoldRowCell")],
  [say("ctrlCCtrlV"), say("copyWhatMarkedFillCells")],
  [say("ctrlD"), say("fillDownFromFirstRow")],
  [say("delete"), say("emptyWhatMarked")],
  [say("ctrlZ"), say("undoDraft")],
  [say("ctrlShiftZ"), "redo"],
  [say("ctrlEnter"), "publish"],
  ["?", say("thisList")],
];

export function KeyList({ dialog }: { dialog: RefObject<HTMLDialogElement | null> }) {
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="keys">
      <div className="modal-box">
        <h2 id="keys" className="mb-3 text-xl">
          {say("keyboardHead")}
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
            {say("close")}
          </button>
        </form>
      </div>
    </dialog>
  );
}
