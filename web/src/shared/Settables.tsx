import { type ReactNode, useEffect, useState } from "react";
import { useBench, useSpotlight } from "../desk/bench";
import { type SetupPath, valueAt } from "./paths";
import { say } from "./say";
import { TextButton } from "./TextButton";

/** Something that can be set, with its field. */
export interface Settable {
  path: SetupPath;
  label: string;
  field: ReactNode;
  /** Whether it would do nothing: then it is shown only where it is set, to be taken away. */
  pointless?: boolean;
}

/** A field made with its path and its label. */
export const settable = (
  path: SetupPath,
  label: string,
  field: (path: SetupPath, label: string) => ReactNode,
): Settable => ({ path, label, field: field(path, label) });

const isSet = (value: unknown): boolean =>
  value !== undefined &&
  value !== null &&
  value !== "" &&
  value !== false &&
  !(Array.isArray(value) && value.length === 0) &&
  !(typeof value === "object" && Object.keys(value as object).length === 0);

/** What is set shows its field; what is not is one word of a line, which opens it. */
export function Settables({ items, className = "" }: { items: readonly Settable[]; className?: string }) {
  const { draft } = useBench();
  const { wanted } = useSpotlight();
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const [fresh, setFresh] = useState("");
  // Who is led to a field finds it open.
  const led = items.find(({ path }) => wanted === path || wanted.startsWith(`${path}/`))?.path;
  useEffect(() => {
    if (led) setOpened((now) => new Set([...now, led]));
  }, [led]);
  useEffect(() => {
    if (fresh) document.querySelector<HTMLElement>(`main [data-path="${CSS.escape(fresh)}"]`)?.focus();
  }, [fresh]);
  const shows = ({ path }: Settable) => opened.has(path) || isSet(valueAt(draft.document, path));
  const rest = items.filter((item) => !shows(item) && !item.pointless);
  return (
    <>
      {items.some(shows) && (
        <div className={className}>
          {items.filter(shows).map(({ path, field }) => (
            <div key={path}>{field}</div>
          ))}
        </div>
      )}
      {rest.length > 0 && (
        <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1 text-xs">
          <span className="quiet">{say("alsoCanBeSet")}</span>
          {rest.map(({ path, label }) => (
            <TextButton
              key={path}
              onClick={() => {
                setOpened((now) => new Set([...now, path]));
                setFresh(path);
              }}
            >
              {label}
            </TextButton>
          ))}
        </p>
      )}
    </>
  );
}
