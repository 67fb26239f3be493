import type { ReactNode } from "react";

interface Props {
  group: string;
  chosen: boolean;
  choose: () => void;
  title: string;
  value?: string;
  children?: ReactNode;
}

/** One of several ways, with its price at the end of the line. */
export function Choice({ group, chosen, choose, title, value, children }: Props) {
  return (
    <label
      className={`flex cursor-pointer items-start gap-3 border-b border-base-300 px-4 py-3 last:border-b-0 has-focus-visible:outline-2 has-focus-visible:outline-accent ${chosen ? "lit shadow-[inset_3px_0_0_var(--color-accent)]" : ""}`}
    >
      <input
        type="radio"
        name={group}
        className="radio radio-sm mt-0.5 checked:border-accent checked:text-accent"
        checked={chosen}
        onChange={choose}
      />
      <span className="flex-1">
        <span className="font-semibold">{title}</span>
        {children && <span className="block text-sm quiet">{children}</span>}
      </span>
      {value && <span className="figure">{value}</span>}
    </label>
  );
}
