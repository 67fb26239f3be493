import { type ReactNode, useEffect, useRef } from "react";

interface Props {
  title: string;
  note?: string;
  /** Opens it when it becomes true; whoever reads it closes it. */
  open?: boolean;
  children: ReactNode;
}

/** A part of a station that is opened when it is wanted. */
export function Fold({ title, note, open, children }: Props) {
  const details = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    if (open && details.current) details.current.open = true;
  }, [open]);
  return (
    <details ref={details} className="mt-6 border-t border-base-content pt-3">
      <summary className="cursor-pointer">
        <h2 className="inline text-base">{title}</h2> {note && <span className="quiet">{note}</span>}
      </summary>
      <div className="mt-3">{children}</div>
    </details>
  );
}
