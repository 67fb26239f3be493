import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import { useBench } from "../desk/bench";

/** What has been written for an order, and whether the post room has taken it. */
export function Letters({ number, fresh }: { number: number; fresh: string }) {
  const { shop, setup } = useBench();
  const letters = useQuery({
    queryKey: ["letters", shop, number, fresh],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/letters", { params: { path: { shop, number } } })),
    refetchInterval: (query) => (query.state.dataUpdateCount < 3 ? 1500 : false),
  });
  const { language, timeZone } = setup.shop;
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeStyle: "short", timeZone });
  if (!letters.data || letters.data.length === 0) return <p className="quiet">Nothing has been written yet.</p>;
  return (
    <ul>
      {letters.data.map((letter) => (
        <li key={letter.event + letter.at} className="border-b border-base-300 py-1">
          {letter.subject}
          <span className="quiet">
            {" "}
            · to {letter.recipient} · {letter.sent ? when.format(new Date(letter.at)) : "waits for the post room"}
          </span>
        </li>
      ))}
    </ul>
  );
}
