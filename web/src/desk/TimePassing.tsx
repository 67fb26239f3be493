import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { deskLocale, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { useBench } from "./bench";
import { usePractice } from "./usePractice";

const steps = [
  { days: 1, name: say("aDay") },
  { days: 7, name: say("aWeek") },
  { days: 30, name: say("thirtyDays") },
];

/** In a demo: the day it is, and time that can be let pass, so that what is due later can be seen now. */
export function TimePassing() {
  const { shop } = useBench();
  const client = useQueryClient();
  const { state } = usePractice();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const demo = state?.on === true && !state.switchable;
  const path = { params: { path: { shop } } };
  const time = useQuery({
    queryKey: ["time", shop],
    queryFn: () => answer(api.GET("/api/shops/{shop}/practice/time", path)),
    enabled: demo,
  });
  if (!demo || !time.data) return null;
  const { now, ahead } = time.data;
  const pass = async (days: number) => {
    setBusy(true);
    await answer(api.POST("/api/shops/{shop}/practice/time", { ...path, body: { from: ahead, days } })).then(
      () => setProblems([]),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    await client.invalidateQueries();
    setBusy(false);
  };
  const today = new Intl.DateTimeFormat(deskLocale(), { dateStyle: "medium" }).format(new Date(now));
  return (
    <details className="relative">
      <summary className={`cursor-pointer list-none text-sm ${ahead > 0 ? "border-s-2 border-warning ps-2" : "quiet"}`}>
        {ahead > 0 ? say("itIsDemoDay", { today }) : say("letTimePass")}
      </summary>
      <div className="absolute end-0 bottom-full z-30 mb-2 w-72 border border-base-300 bg-base-100 p-3 text-sm shadow-xl">
        <p>{say("timePassingMeans")}</p>
        <p className="mt-2 flex flex-wrap gap-4" aria-busy={busy}>
          {steps.map((step) => (
            <TextButton key={step.days} disabled={busy} onClick={() => void pass(step.days)}>
              {step.name}
            </TextButton>
          ))}
        </p>
        <Said problems={problems} />
      </div>
    </details>
  );
}
