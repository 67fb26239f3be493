import { useId, useState } from "react";
import { begun, type Named, near } from "./named";
import { say } from "./say";

const MOST = 8;

interface Props {
  label: string;
  names: readonly Named[];
  /** The code that holds until something is typed. */
  initial?: string;
  placeholder?: string;
  className: string;
  /** The code of what was typed, or the text itself where it is not known. */
  give: (code: string) => void;
  autoFocus?: boolean;
}

/** An answer given by name, with what was understood beside it. */
export function NamedInput({ label, names, initial = "", placeholder, className, give, autoFocus }: Props) {
  const list = useId();
  const [typed, setTyped] = useState<string>();
  const shown = typed ?? names.find((each) => each.id === initial)?.name ?? initial;
  const understood = begun(names, shown);
  return (
    <span className="flex flex-wrap items-baseline gap-x-2">
      <input
        className={`inplace ${className}`}
        aria-label={label}
        list={list}
        value={shown}
        placeholder={placeholder}
        autoFocus={autoFocus}
        maxLength={80}
        onChange={(event) => {
          setTyped(event.target.value);
          give(begun(names, event.target.value)?.id ?? event.target.value.trim());
        }}
      />
      {typed && understood && understood.name !== typed && <span className="text-xs quiet">{understood.name}</span>}
      {typed && !understood && <span className="text-xs text-warning">{say("notUnderstoodYet")}</span>}
      <datalist id={list}>
        {near(names, shown, MOST).map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
    </span>
  );
}
