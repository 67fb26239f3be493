import { useState } from "react";
import { useActs, useBench } from "../desk/bench";
import { Field } from "./Field";
import type { Notation, NotationFields } from "./notation/notation";
import { type SetupPath, valueAt } from "./paths";
import { say } from "./say";
import { TextButton } from "./TextButton";

interface Props {
  path: SetupPath;
  label: string;
  notation: Notation;
  /** What an empty field means; else an example of how it is written. */
  placeholder?: string;
  note?: string;
  className?: string;
}

/** A field with a notation: typed as one text, which is read back in a sentence, or in fields beside it. */
export function NotationField({ path, label, notation, placeholder, note, className }: Props) {
  const bench = useBench();
  const [open, setOpen] = useState(false);
  const value = valueAt(bench.draft.document, path);
  const said = notation.said?.(value);
  const example =
    notation.example === undefined ? "" : say("notationExample", { text: notation.write(notation.example) });
  const { fields } = notation;
  const unread = (text: string) =>
    text.trim() !== "" && typeof notation.read(text) === "string"
      ? {
          sentence: say("notationUnread", { text }),
          remedy: say("notationWriteAs", { example: notation.write(notation.example) }),
        }
      : undefined;
  return (
    <div className={className}>
      <Field
        path={path}
        label={label}
        write={notation.write}
        read={notation.read}
        unread={unread}
        {...(placeholder ? { placeholder } : {})}
      />
      <p className="mt-0.5 text-xs quiet">
        {said || note || example}{" "}
        {fields && (
          <TextButton onClick={() => setOpen(!open)} aria-expanded={open} aria-label={say("inFieldsOf", { label })}>
            {open ? say("fold") : say("inFields")}
          </TextButton>
        )}
      </p>
      {open && fields && <Rows path={path} label={label} fields={fields} value={value} key={bench.draft.version} />}
    </div>
  );
}

interface RowsProps {
  path: SetupPath;
  label: string;
  fields: NotationFields;
  value: unknown;
}

/** The value in rows of fields. What is typed is kept when a field is left; a row that is emptied goes. */
function Rows({ path, label, fields, value }: RowsProps) {
  const acts = useActs();
  const empty = fields.columns.map(() => "");
  const [rows, setRows] = useState(() => [...fields.rows(value), ...(fields.many ? [empty] : [])]);
  const kept = (next: string[][]) => next.filter((row) => row.some((text) => text.trim() !== ""));
  const leave = (next: string[][]) => {
    const full = kept(next);
    const now = full.length === 0 && !fields.many ? undefined : fields.value(full) || undefined;
    if (JSON.stringify(kept(fields.rows(value))) !== JSON.stringify(full)) void acts.set(path, now);
  };
  const typed = (at: number, column: number, text: string) =>
    rows.map((row, r) => (r === at ? row.map((each, c) => (c === column ? text : each)) : row));
  return (
    <div className="overflow-x-auto">
      <table className="mt-1 w-full text-xs" aria-label={say("inFieldsOf", { label })}>
        <thead>
          <tr>
            {fields.columns.map((column) => (
              <th key={column.label} scope="col" className="pe-2 text-start font-normal quiet">
                {column.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a row is its place
            <tr key={at}>
              {fields.columns.map((column, c) => (
                <td key={column.label} className="pe-2">
                  {column.kind === "choice" ? (
                    <select
                      className="inplace w-full"
                      aria-label={column.label}
                      value={row[c] ?? ""}
                      onChange={(event) => {
                        const next = typed(at, c, event.target.value);
                        setRows(next);
                        leave(next);
                      }}
                    >
                      {column.choices?.map((choice) => (
                        <option key={choice.id} value={choice.id}>
                          {choice.name}
                        </option>
                      ))}
                    </select>
                  ) : (
                    <input
                      className="inplace w-full"
                      type={column.kind === "day" ? "date" : column.kind === "time" ? "time" : "text"}
                      aria-label={column.label}
                      value={row[c] ?? ""}
                      onChange={(event) => setRows(typed(at, c, event.target.value))}
                      onBlur={() => leave(rows)}
                      onKeyDown={(event) => event.key === "Enter" && leave(rows)}
                    />
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
