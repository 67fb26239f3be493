import type { ReactNode } from "react";

/** A part of a station that is opened when it is wanted. */
export function Fold({ title, note, children }: { title: string; note?: string; children: ReactNode }) {
  return (
    <details className="mt-6 border-t border-base-content pt-3">
      <summary className="cursor-pointer">
        <h2 className="inline text-base">{title}</h2> {note && <span className="quiet">{note}</span>}
      </summary>
      <div className="mt-3">{children}</div>
    </details>
  );
}
