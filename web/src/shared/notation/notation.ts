/**
 * How a value that is not a plain text is typed on the desk: as one text in the desk's language, as fields beside it,
 * and read back in a sentence. A text that cannot be read is handed on, and the server says what is wrong with it.
 */
export interface Notation {
  write: (value: unknown) => string;
  read: (text: string) => unknown;
  /** The value in a sentence; empty where there is nothing to say. */
  said?: (value: unknown) => string;
  fields?: NotationFields;
  /** A value to show how it is written, where it is shown in a field of its own. */
  example?: unknown;
}

/** A value taken apart into rows of texts, one a column. */
export interface NotationFields {
  columns: NotationColumn[];
  /** Whether there can be several rows. */
  many?: boolean;
  rows: (value: unknown) => string[][];
  /** The value of rows that are not all empty. */
  value: (rows: string[][]) => unknown;
}

export interface NotationColumn {
  label: string;
  kind?: "text" | "day" | "time" | "choice";
  choices?: { id: string; name: string }[];
}
