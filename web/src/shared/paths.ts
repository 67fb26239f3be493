import type { Edit, Setup } from "../api/client";

declare const leads: unique symbol;

/** Where something stands in a setup: field names, and ids in lists, with what leads there known to the compiler. */
export type SetupPath<T = unknown> = string & { readonly [leads]: T };

/** What a step from something can be: an id in a list, a name in a record. */
type Key<T> = T extends readonly unknown[] ? string : T extends object ? keyof T & string : never;
/** What a step leads to. */
type Step<T, K> = NonNullable<
  T extends readonly (infer E)[] ? E : T extends object ? (K extends keyof T ? T[K] : never) : never
>;

/** Goes on from something, step by step; a step that is none of it does not compile. */
interface Down<T> {
  <A extends Key<T>>(a: A): SetupPath<Step<T, A>>;
  <A extends Key<T>, B extends Key<Step<T, A>>>(a: A, b: B): SetupPath<Step<Step<T, A>, B>>;
  <A extends Key<T>, B extends Key<Step<T, A>>, C extends Key<Step<Step<T, A>, B>>>(
    a: A,
    b: B,
    c: C,
  ): SetupPath<Step<Step<Step<T, A>, B>, C>>;
  <
    A extends Key<T>,
    B extends Key<Step<T, A>>,
    C extends Key<Step<Step<T, A>, B>>,
    D extends Key<Step<Step<Step<T, A>, B>, C>>,
  >(
    a: A,
    b: B,
    c: C,
    d: D,
  ): SetupPath<Step<Step<Step<Step<T, A>, B>, C>, D>>;
  <
    A extends Key<T>,
    B extends Key<Step<T, A>>,
    C extends Key<Step<Step<T, A>, B>>,
    D extends Key<Step<Step<Step<T, A>, B>, C>>,
    E extends Key<Step<Step<Step<Step<T, A>, B>, C>, D>>,
  >(
    a: A,
    b: B,
    c: C,
    d: D,
    e: E,
  ): SetupPath<Step<Step<Step<Step<Step<T, A>, B>, C>, D>, E>>;
}

/** A path from the setup itself: `setupPath("goods", "products", id, "price")`. */
export const setupPath: Down<Setup> = (...steps: string[]) => steps.join("/") as SetupPath<never>;

/** A path from another: `under(product)("price")`. */
export const under =
  <T>(path: SetupPath<T>): Down<T> =>
  (...steps: string[]) =>
    [path, ...steps].join("/") as SetupPath<never>;

/** The value at a path of a setup document: field names, and ids in lists. */
export function valueAt<T>(document: unknown, path: SetupPath<T>): T | undefined;
export function valueAt(document: unknown, path: string): unknown;
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
export const editOf = (document: unknown, path: SetupPath, now: unknown): Edit => ({
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
