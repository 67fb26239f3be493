import { type ReactNode, useEffect, useRef, useState } from "react";

interface Props {
  title: string;
  note?: string;
  /** Opens it when it becomes true; whoever reads it closes it. */
  open?: boolean;
  /** Whether what is in it is made only once it has been opened. */
  late?: boolean;
  children: ReactNode;
}

/** A part of a station that is opened when it is wanted. */
export function Fold({ title, note, open, late = false, children }: Props) {
  const [opened, setOpened] = useState(!late);
  const details = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    if (open && details.current) details.current.open = true;
  }, [open]);
  return (
    <details
      ref={details}
      className="mt-6 border-t border-base-content pt-3"
      onToggle={(event) => event.currentTarget.open && setOpened(true)}
    >
      <summary className="cursor-pointer">
        <h2 className="inline text-base">{title}</h2> {note && <span className="quiet">{note}</span>}
      </summary>
      <div className="mt-3">{opened && children}</div>
    </details>
  );
}
