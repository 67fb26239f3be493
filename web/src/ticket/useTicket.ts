import { useEffect, useRef, useState } from "react";
import { answer, api, type Problem, problemsOf, type Ticket, type TicketRequest } from "../api/client";
import { useBench } from "../desk/bench";
import type { Asked } from "./asked";

/** A ticket, and what it answers: by the time it comes another may be asked for. */
interface Answered {
  ticket: Ticket;
  asked: Asked;
}

/** The ticket for an order, asked again at every change of the order, the draft or the cell being typed. */
export function useTicket(asked: Asked, beside: boolean): { answered: Answered | undefined; problems: Problem[] } {
  const bench = useBench();
  const [answered, setAnswered] = useState<Answered>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const latest = useRef(0);
  const { shop, trying, refuse, setReadings } = bench;
  const version = bench.draft.version;
  const order = JSON.stringify(asked);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a new version of the draft is a reason to ask again
  useEffect(() => {
    const mine = ++latest.current;
    const stop = new AbortController();
    const body = { edits: trying, order: JSON.parse(order), beside } as TicketRequest;
    answer(api.POST("/api/shops/{shop}/ticket", { params: { path: { shop } }, body, signal: stop.signal })).then(
      (fresh) => {
        if (mine !== latest.current) return;
        setAnswered({ ticket: fresh, asked: JSON.parse(order) as Asked });
        setProblems(fresh.problems);
        if (trying.length > 0) refuse(fresh.refused);
        setReadings(fresh.readings);
      },
      (reason: unknown) => {
        if (stop.signal.aborted || mine !== latest.current) return;
        if (trying.length > 0) refuse(problemsOf(reason));
        else setProblems(problemsOf(reason));
      },
    );
    return () => stop.abort();
  }, [shop, trying, order, beside, version, refuse, setReadings]);

  return { answered, problems };
}
