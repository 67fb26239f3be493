import { useEffect, useId, useRef, useState } from "react";
import type { Problem } from "../api/client";
import { useActs, useBench, useMarks, useSpotlight, useTroubles } from "../desk/bench";
import { type SetupPath, valueAt } from "./paths";
import { Said } from "./Said";
import { say } from "./say";

interface Props {
  path: SetupPath;
  /** Where the field is found, when it is a part of what is kept as a whole. */
  at?: SetupPath;
  label: string;
  /** What the field changes, told under it. */
  note?: string;
  choices?: { id: string; name: string }[];
  /** How the value is written and read where it is not a plain text. */
  write?: (value: unknown) => string;
  read?: (text: string) => unknown;
  hideLabel?: boolean;
  className?: string;
  placeholder?: string;
  optional?: boolean;
  /** The id of a list of what could be meant. */
  suggestions?: string;
  /** Told of each text typed. */
  typed?: (text: string) => void;
  /** What is wrong with a text that cannot be read at all; it is neither tried nor kept, and stays where it is. */
  unread?: (text: string) => Pick<Problem, "sentence" | "remedy"> | undefined;
  /** How the value is kept where more hangs on it; whether the field is done with, kept or taken back. */
  keep?: (value: unknown) => Promise<boolean>;
}

const asText = (value: unknown): string => (value === undefined || value === null ? "" : String(value));

/** One field of the setup: typed in place, tried on the ticket at every keystroke, saved when left. */
export function Field({
  path,
  at = path,
  label,
  note,
  choices,
  write = asText,
  read,
  hideLabel,
  className,
  placeholder,
  optional,
  suggestions,
  typed,
  unread,
  keep,
}: Props) {
  const bench = useBench();
  const troubles = useTroubles();
  const spotlight = useSpotlight();
  const marks = useMarks();
  const acts = useActs();
  const id = useId();
  const input = useRef<HTMLInputElement & HTMLSelectElement>(null);
  const saved = write(valueAt(bench.draft.document, path));
  const [text, setText] = useState(saved);
  const [typing, setTyping] = useState(false);
  const leaving = useRef(false);
  const shown = typing ? text : saved;
  const tried = typing ? troubles.problems : [];
  const illegible = typing ? unread?.(text) : undefined;
  // Nothing is said of a text that may still become one.
  const [left, setLeft] = useState(false);
  const mine = illegible ? (left ? [{ path, ...illegible } as Problem] : []) : told(path, troubles.refusals, tried);
  const value = (typed: string) => (read ? read(typed) : typed === "" && optional ? undefined : typed);

  useEffect(() => {
    if (spotlight.wanted === at) {
      for (let fold = input.current?.closest("details"); fold; fold = fold.parentElement?.closest("details"))
        fold.open = true;
      input.current?.focus();
      marks.arrived();
    }
  }, [spotlight.wanted, marks, at]);

  const leave = async () => {
    if (!typing || leaving.current) return;
    leaving.current = true;
    setLeft(true);
    if (unread?.(text)) {
      leaving.current = false;
      return;
    }
    if (text === saved) {
      acts.stopTrying();
      marks.takeBack(path);
    }
    if (text === saved || (await (keep?.(value(text)) ?? acts.set(path, value(text))))) setTyping(false);
    leaving.current = false;
  };
  const common = {
    id,
    ref: input,
    "data-path": at,
    "aria-invalid": mine.length > 0,
    "aria-describedby": mine.length > 0 ? `${id}-said` : undefined,
    onFocus: () => marks.setAt(at),
    className: `inplace w-full ${spotlight.lit.has(at) ? "lit" : ""} ${mine.length > 0 ? "border-b-error" : ""}`,
  };
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "block text-xs quiet"}>
        {label}
      </label>
      {choices ? (
        <select {...common} value={shown} onChange={(event) => void acts.set(path, value(event.target.value))}>
          {choices.every((choice) => choice.id !== shown) && <option value={shown}>{shown || say("choose")}</option>}
          {choices.map((choice) => (
            <option key={choice.id} value={choice.id}>
              {choice.name}
            </option>
          ))}
        </select>
      ) : (
        <input
          {...common}
          value={shown}
          placeholder={placeholder}
          list={suggestions}
          onChange={(event) => {
            typed?.(event.target.value);
            setText(event.target.value);
            setTyping(true);
            setLeft(false);
            // What asks before it is kept is not tried meanwhile.
            if (keep || unread?.(event.target.value)) acts.stopTrying();
            else acts.try(path, value(event.target.value));
          }}
          onBlur={() => void leave()}
          onKeyDown={(event) => {
            if (event.key === "Enter") void leave();
            if (event.key === "Escape") {
              setTyping(false);
              acts.stopTrying();
              marks.takeBack(path);
            }
          }}
        />
      )}
      {note && <p className="mt-0.5 text-xs quiet">{note}</p>}
      <Said problems={mine} id={`${id}-said`} />
    </div>
  );
}

/**
 * What is said at a field: what was refused here, unless it is about another field that is on the screen, and what was refused
 * elsewhere and is about this one.
 */
function told(path: string, refusals: Readonly<Record<string, Problem[]>>, tried: Problem[]): Problem[] {
  const about = (problem: Problem) => problem.path === path || problem.path.startsWith(`${path}/`);
  const elsewhere = (problem: Problem) =>
    !about(problem) && document.querySelector(`main [data-path="${CSS.escape(problem.path)}"]`) !== null;
  const here = [...(refusals[path] ?? []), ...tried].filter((problem) => !elsewhere(problem));
  const others = Object.entries(refusals).flatMap(([from, problems]) => (from === path ? [] : problems.filter(about)));
  const seen = new Set<string>();
  return [...here, ...others].filter((problem) => !seen.has(problem.sentence) && seen.add(problem.sentence));
}

/** A list of places as one line of text. */
export const places = {
  write: (value: unknown) => (Array.isArray(value) ? value.join(" ") : ""),
  read: (text: string) => text,
};
