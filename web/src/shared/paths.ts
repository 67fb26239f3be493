import type { Edit } from "../api/client";

/** The value at a path of a setup document: field names, and ids in lists. */
export function valueAt(document: unknown, path: string): unknown {
  let node: unknown = document;
  for (const step of path.split("/")) {
    if (Array.isArray(node)) node = node.find((element) => (element as { id?: string }).id === step);
    else if (node && typeof node === "object") node = (node as Record<string, unknown>)[step];
    else return undefined;
  }
  return node ?? undefined;
}

/** An edit of a document as it stands. */
export const editOf = (document: unknown, path: string, now: unknown): Edit => ({
  path,
  was: valueAt(document, path),
  now,
});

/** An id that is not taken yet, made from a name. */
export function idFrom(name: string, taken: string[]): string {
  const base =
    name
      .normalize("NFD")
      .replace(/\p{M}/gu, "")
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "") || "new";
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.includes(id)) return id;
  }
}
