import { useState } from "react";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { useSay } from "./phrases";

/** Ends letters about baskets for the address a letter went to. It takes a press, so that nothing that merely opens links does it. */
export function NeverRemind({ shop, token }: { shop: string; token: string }) {
  const say = useSay();
  const [done, setDone] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const never = () =>
    void answer(api.POST("/api/counter/{shop}/unfinished/{token}/never", { params: { path: { shop, token } } })).then(
      () => setDone(true),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  return (
    <main className="mx-auto max-w-md p-8">
      <h1 className="text-2xl">{say("neverRemind")}</h1>
      <p className="mt-3">{say("neverRemindNote")}</p>
      <Said problems={problems} />
      {done ? (
        <p role="status" className="mt-4 font-semibold">
          {say("neverDone")}
        </p>
      ) : (
        <button type="button" className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-4 w-full" onClick={never}>
          {say("neverRemind")}
        </button>
      )}
    </main>
  );
}
