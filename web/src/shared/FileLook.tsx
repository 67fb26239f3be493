import { type ReactNode, type RefObject, useId } from "react";
import type { Problem } from "../api/client";
import { Said } from "./Said";
import { say } from "./say";

interface Props {
  dialog: RefObject<HTMLDialogElement | null>;
  /** The file's name. */
  file: string | undefined;
  wide?: boolean;
  problems: Problem[];
  /** What the button says that takes it; without it there is nothing to take. */
  takes: string | undefined;
  busy: boolean;
  take: () => void;
  children: ReactNode;
}

/** A look at what a file would change, before it is taken or left. */
export function FileLook({ dialog, file, wide, problems, takes, busy, take, children }: Props) {
  const id = useId();
  return (
    <dialog ref={dialog} className="modal" aria-labelledby={id}>
      <div className={`modal-box ${wide ? "max-w-4xl" : "max-w-3xl"}`}>
        <h2 id={id} className="text-xl">
          {file}
        </h2>
        <Said problems={problems} />
        {children}
        <div className="modal-action">
          <form method="dialog">
            <button type="submit" className="btn btn-ghost">
              {say("leave")}
            </button>
          </form>
          {takes && (
            <button type="button" className="btn btn-primary" disabled={busy} onClick={take}>
              {takes}
            </button>
          )}
        </div>
      </div>
    </dialog>
  );
}
