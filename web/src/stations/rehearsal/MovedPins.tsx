import { useActs } from "../../desk/bench";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { useMoved } from "./useBoard";

/** What was pinned and is another in the draft: it keeps the next edition back until it is put right, or taken. */
export function MovedPins() {
  const acts = useActs();
  const moved = useMoved().data ?? [];
  if (moved.length === 0) return null;
  const take = (some: typeof moved) =>
    void acts.setAll(some.map(({ pin, now }) => [setupPath("rehearsal", "pins", pin, "value"), now ?? undefined]));
  return (
    <section aria-label={say("pinsThatMoved")} className="mb-4 border-s-4 border-error ps-3">
      <h2 className="text-base text-error">{say("pinsMovedHead", { count: moved.length })}</h2>
      <ul>
        {moved.map((each) => (
          <li key={each.pin} className="flex flex-wrap items-baseline gap-x-3 py-0.5">
            <span>{each.sentence}</span>
            <TextButton onClick={() => take([each])}>{say("takeNewFigure")}</TextButton>
          </li>
        ))}
      </ul>
      {moved.length > 1 && (
        <button type="button" className="btn btn-sm mt-1" onClick={() => take(moved)}>
          {say("takeAllNewFigures")}
        </button>
      )}
    </section>
  );
}
