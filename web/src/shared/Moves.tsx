import { useActs, useBench } from "../desk/bench";
import { type SetupPath, valueAt } from "./paths";
import { say } from "./say";

/** Moves a thing one place up or down in its list. @param of what it is moved among; empty where that is plain */
export function Moves({ path, things, of }: { path: SetupPath; things: { id: string }[]; of: string }) {
  const bench = useBench();
  const acts = useActs();
  const id = path.slice(path.lastIndexOf("/") + 1);
  const place = things.findIndex((each) => each.id === id);
  const move = (to: number) => {
    const value = valueAt(bench.draft.document, path);
    void acts.commit([{ path, was: value, now: value, to }]);
  };
  return (
    <>
      <button type="button" className="btn btn-ghost btn-sm" disabled={place <= 0} onClick={() => move(place - 1)}>
        {of ? say("earlier", { of }) : say("sooner")}
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        disabled={place < 0 || place >= things.length - 1}
        onClick={() => move(place + 1)}
      >
        {of ? say("later", { of }) : say("afterwards")}
      </button>
    </>
  );
}
