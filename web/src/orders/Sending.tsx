import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { plain } from "../shared/money";
import { Said } from "../shared/Said";
import { say } from "../shared/say";

/** What has left and what has not; handing over takes what is authorised for it. */
export function Sending({ order, fresh }: { order: WholeOrder; fresh: (order: WholeOrder) => void }) {
  const { shop } = useBench();
  const [key, setKey] = useState(() => crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  const asked = problems.some((problem) => problem.path === "despite");
  const left = order.quote.lines
    .map((line, index) => ({ line, index }))
    .filter(({ index }) => !order.gone.includes(index));
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const lines = new FormData(event.currentTarget).getAll("line").map(Number);
    if (lines.length === 0) {
      setProblems([{ path: "lines", sentence: say("nothingChosen"), remedy: say("tickWhatLeavesNow") }]);
      return;
    }
    const call = { params: { path: { shop, number: order.number } }, body: { key, lines, despite: asked } };
    await answer(api.POST("/api/shops/{shop}/orders/{number}/dispatch", call)).then(
      (after) => {
        setProblems([]);
        setKey(crypto.randomUUID());
        fresh(after);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const collected = order.handover != null;
  if (order.cancelledAt) return null;
  return (
    <section aria-label={say("sending")} className="mb-6">
      <h2 className="mb-1">{collected ? say("handingOver") : say("sending")}</h2>
      {left.length === 0 ? (
        <p>{collected ? say("everythingHandedOver") : say("everythingHasLeft")}</p>
      ) : (
        <form key={order.gone.join()} onSubmit={send}>
          {left.map(({ line, index }) => (
            <label key={index} className="flex items-center gap-2">
              <input type="checkbox" name="line" value={index} defaultChecked className="checkbox checkbox-xs" />
              {plain(line.quantity)} {[line.name, ...line.choices].join(", ")}
            </label>
          ))}
          <button type="submit" className="btn btn-sm mt-2">
            {asked ? say("sendAllSame") : collected ? say("handedOver") : say("leavesNow")}
          </button>
          <span className="ms-3 text-xs quiet">{say("takesWhatAuthorisedForLast")}</span>
          <Said problems={problems} />
        </form>
      )}
    </section>
  );
}
