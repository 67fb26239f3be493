type Kept = Pick<Storage, "getItem" | "setItem" | "removeItem">;

/** What is kept where a browser lets nothing be kept, as on a page of another site: until the page is left. */
function forgetful(): Kept {
  const kept = new Map<string, string>();
  return {
    getItem: (name) => kept.get(name) ?? null,
    setItem: (name, value) => void kept.set(name, value),
    removeItem: (name) => void kept.delete(name),
  };
}

/** A storage of the browser's, or a forgetful one where it may not be used. */
function usable(of: () => Kept): Kept {
  const instead = forgetful();
  const storage = (): Kept => {
    try {
      return of();
    } catch {
      return instead;
    }
  };
  return {
    getItem: (name) => storage().getItem(name),
    setItem: (name, value) => storage().setItem(name, value),
    removeItem: (name) => storage().removeItem(name),
  };
}

/** For longer than the window. */
export const lasting = usable(() => localStorage);
/** For this window. */
export const ofWindow = usable(() => sessionStorage);
