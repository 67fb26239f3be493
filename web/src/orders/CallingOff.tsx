import { useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { Said } from "../shared/Said";
import { say } from "../shared/say";

/** Calling an order off, asked once more before it is done. */
export function CallingOff({ order, fresh }: { order: WholeOrder; fresh: (order: WholeOrder) => void }) {
  const { shop } = useBench();
  const [sure, setSure] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  if (!order.toCancel) return null;
  const cancel = async () => {
    await answer(
      api.POST("/api/shops/{shop}/orders/{number}/cancel", { params: { path: { shop, number: order.number } } }),
    ).then(fresh, (reason: unknown) => setProblems(problemsOf(reason)));
    setSure(false);
  };
  return (
    <section aria-label={say("callingOff")} className="mb-6">
      {sure ? (
        <p className="flex flex-wrap items-baseline gap-3">
          {say("whatHeldLetGoWhat")}
          <button type="button" className="btn btn-primary btn-sm" onClick={() => void cancel()}>
            {say("callOrderOff")}
          </button>
          <button type="button" className="btn btn-sm" onClick={() => setSure(false)}>
            {say("keep")}
          </button>
        </p>
      ) : (
        <button type="button" className="btn btn-sm" onClick={() => setSure(true)}>
          {say("callOff")}
        </button>
      )}
      <Said problems={problems} />
    </section>
  );
}
