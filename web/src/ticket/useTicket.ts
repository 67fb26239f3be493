import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { answer, api, type Problem, problemsOf, type Ticket, type TicketRequest } from "../api/client";
import { useBench, useMarks, useTyped } from "../desk/bench";
import type { TicketOrder } from "./sampleOrder";

/** A ticket, and what it answers: by the time it comes another may be asked for. */
interface Answered {
  ticket: Ticket;
  asked: TicketOrder;
}

/** How long a ticket of before is kept, in milliseconds: an undone keystroke shows it at once. */
const KEPT = 30_000;

/** The ticket for an order, asked again at every change of the order, the draft or the cell being typed. */
export function useTicket(
  asked: TicketOrder,
  beside: boolean,
  edition: number | undefined,
): { answered: Answered | undefined; problems: Problem[] } {
  const { shop, draft } = useBench();
  const { trying } = useTyped();
  const { refuse, setReadings } = useMarks();
  const { data, error } = useQuery({
    queryKey: ["ticket", shop, draft.version, asked, beside, trying, edition],
    queryFn: async ({ signal }): Promise<Answered> => {
      const body = { edits: trying, order: asked, beside, ...(edition ? { edition } : {}) } as TicketRequest;
      const ticket = await answer(api.POST("/api/shops/{shop}/ticket", { params: { path: { shop } }, body, signal }));
      return { ticket, asked };
    },
    staleTime: 0,
    gcTime: KEPT,
  });

  // What was last answered stays until the next is there, also when that one could not be priced.
  const [answered, setAnswered] = useState<Answered>();
  useEffect(() => {
    if (!data) return;
    setAnswered(data);
    setReadings(data.ticket.readings);
    if (trying.length > 0) refuse(data.ticket.refused);
  }, [data, trying, refuse, setReadings]);
  useEffect(() => {
    if (error && trying.length > 0) refuse(problemsOf(error));
  }, [error, trying, refuse]);

  const unpriced = error && trying.length === 0;
  return { answered, problems: unpriced ? problemsOf(error) : (answered?.ticket.problems ?? []) };
}
