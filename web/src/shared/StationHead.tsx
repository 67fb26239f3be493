import type { ReactNode } from "react";

export function StationHead({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="mb-3 flex flex-wrap items-baseline gap-x-5">
      <h1 className="text-2xl">{title}</h1>
      <div className="flex flex-1 flex-wrap items-baseline justify-end gap-x-4 quiet">{children}</div>
    </div>
  );
}
