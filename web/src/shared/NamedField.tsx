import { useId, useMemo, useState } from "react";
import { useActs, useBench } from "../desk/bench";
import { Field } from "./Field";
import { countriesIn, currenciesIn, languagesIn, type Named, named, near, timeZonesIn } from "./named";
import { type SetupPath, valueAt } from "./paths";
import { deskLocale } from "./say";

const MOST = 8;
const kinds = {
  country: countriesIn,
  currency: currenciesIn,
  language: languagesIn,
  timeZone: timeZonesIn,
} as const;
export type NamedKind = keyof typeof kinds;

/** What can be named; of languages those with a region only where the setup has them. */
export function useNames(kind: NamedKind, kept: string): readonly Named[] {
  return useMemo(() => kinds[kind](deskLocale(), kept && kind === "language" ? kept.split(" ") : []), [kind, kept]);
}

interface Props {
  path: SetupPath;
  label: string;
  kind: NamedKind;
  note?: string;
  className?: string;
  /** Whether it may be empty. */
  optional?: boolean;
  /** How the code is kept where more hangs on it; a text that is no name goes the usual way. */
  keep?: (code: string) => Promise<boolean>;
}

/** A field that is read and typed by name; codes are understood too. What is not known is said by the server. */
export function NamedField({ path, label, kind, note, className, optional = false, keep }: Props) {
  const bench = useBench();
  const list = useId();
  const kept = String(valueAt(bench.draft.document, path) ?? "");
  const names = useNames(kind, kept);
  const acts = useActs();
  const [typed, setTyped] = useState("");
  const keeping =
    keep &&
    ((value: unknown) => (names.some((each) => each.id === value) ? keep(String(value)) : acts.set(path, value)));
  return (
    <>
      <Field
        path={path}
        label={label}
        {...(note ? { note } : {})}
        {...(className ? { className } : {})}
        write={(value) => names.find((each) => each.id === value)?.name ?? String(value ?? "")}
        read={(text) => (optional && text.trim() === "" ? undefined : (named(names, text)?.id ?? text))}
        suggestions={list}
        typed={setTyped}
        {...(keeping ? { keep: keeping } : {})}
      />
      <datalist id={list}>
        {near(names, typed, MOST).map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
    </>
  );
}
