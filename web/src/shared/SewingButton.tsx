export type Sewn = "sewn" | "half" | "empty";

/** A button sewn on (four holes), half sewn (two), or a buttonhole still empty: how far something is, by shape. */
export function SewingButton({ state, lit = false }: { state: Sewn; lit?: boolean }) {
  return (
    <svg
      viewBox="0 0 24 24"
      className={`h-5 w-5 shrink-0 ${lit ? "text-accent" : "text-base-content"}`}
      aria-hidden="true"
    >
      {state === "empty" ? (
        <rect x="2" y="9" width="20" height="6" rx="3" fill="none" stroke="currentColor" strokeWidth="2" />
      ) : state === "half" ? (
        <>
          <circle cx="12" cy="12" r="9.5" fill="none" stroke="currentColor" strokeWidth="2" />
          <circle cx="9" cy="12" r="1.5" fill="currentColor" />
          <circle cx="15" cy="12" r="1.5" fill="currentColor" />
        </>
      ) : (
        <>
          <circle cx="12" cy="12" r="10.5" fill="currentColor" />
          {[9, 15].flatMap((x) =>
            [9, 15].map((y) => <circle key={`${x}-${y}`} cx={x} cy={y} r="1.6" fill="var(--color-base-200)" />),
          )}
        </>
      )}
    </svg>
  );
}
