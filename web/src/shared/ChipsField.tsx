import { useId, useRef, useState } from "react";
import { useActs, useBench, useMarks, useSpotlight, useTroubles } from "../desk/bench";
import { type Named, named, near } from "./named";
import { type SetupPath, valueAt } from "./paths";
import { Said } from "./Said";
import { say } from "./say";

const MOST = 8;

interface Props {
  path: SetupPath;
  label: string;
  note?: string | undefined;
  /** What can be named. */
  names: readonly Named[];
  /** How a code is shown; what has no name stands as it is. */
  nameOf: (code: string) => string;
  /** What may be typed, while there is nothing yet. */
  empty: string;
}

/** A list of codes as chips of names: typed, pasted, taken away one by one. What is not known is said by the server. */
export function ChipsField({ path, label, note, names, nameOf, empty }: Props) {
  const bench = useBench();
  const acts = useActs();
  const marks = useMarks();
  const spotlight = useSpotlight();
  const { refusals } = useTroubles();
  const id = useId();
  const [typed, setTyped] = useState("");
  const value = valueAt(bench.draft.document, path);
  const kept: string[] = Array.isArray(value) ? value : [];
  const mine = refusals[path] ?? [];
  // Enter keeps what leaving the field would keep again.
  const keeping = useRef(false);
  const keep = async () => {
    if (keeping.current) return;
    if (typed.trim() === "") {
      marks.takeBack(path);
      return;
    }
    // A whole name may hold a comma; else commas and semicolons part the names.
    const whole = named(names, typed);
    const more = whole
      ? [whole.id]
      : typed
          .split(/[;,\n\t]/)
          .map((text) => named(names, text)?.id ?? text.trim())
          .filter(Boolean);
    const next = [...new Set([...kept, ...more])];
    keeping.current = true;
    if (await acts.set(path, next)) setTyped("");
    keeping.current = false;
  };
  return (
    <div>
      <label htmlFor={id} className="block text-xs quiet">
        {label}
      </label>
      <div className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
        {kept.map((code) => (
          <span key={code} title={code} className="border border-base-300 ps-2 text-sm whitespace-nowrap">
            {nameOf(code)}
            <button
              type="button"
              className="cursor-pointer px-2 quiet"
              aria-label={say("removeNamed", { name: nameOf(code) })}
              onClick={() =>
                void acts.set(
                  path,
                  kept.filter((each) => each !== code),
                )
              }
            >
              ×
            </button>
          </span>
        ))}
        <input
          id={id}
          data-path={path}
          list={`${id}-near`}
          className={`inplace min-w-28 flex-1 ${spotlight.lit.has(path) ? "lit" : ""} ${mine.length > 0 ? "border-b-error" : ""}`}
          value={typed}
          placeholder={kept.length === 0 ? empty : say("oneMore")}
          aria-invalid={mine.length > 0}
          aria-describedby={mine.length > 0 ? `${id}-said` : undefined}
          onFocus={() => marks.setAt(path)}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => void keep()}
          onKeyDown={(event) => {
            if (event.key === "Enter") {
              event.preventDefault();
              void keep();
            } else if (event.key === "Escape") {
              setTyped("");
              marks.takeBack(path);
            } else if (event.key === "Backspace" && typed === "" && kept.length > 0) {
              void acts.set(path, kept.slice(0, -1));
            }
          }}
        />
      </div>
      <datalist id={`${id}-near`}>
        {near(names, typed, MOST).map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
      {note && <p className="mt-0.5 text-xs quiet">{note}</p>}
      <Said problems={mine} id={`${id}-said`} />
    </div>
  );
}
