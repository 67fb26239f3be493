import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";

/** What has been written for an order, and whether the post room has taken it. */
export function Letters({ number, fresh, remind }: { number: number; fresh: string; remind: boolean }) {
  const { shop, setup } = useBench();
  const letters = useQuery({
    queryKey: ["letters", shop, number, fresh],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/letters", { params: { path: { shop, number } } })),
    refetchInterval: (query) => (query.state.dataUpdateCount < 3 ? 1500 : false),
  });
  const [problems, setProblems] = useState<Problem[]>([]);
  const send = () =>
    answer(api.POST("/api/shops/{shop}/orders/{number}/reminder", { params: { path: { shop, number } } })).then(
      () => {
        setProblems([]);
        void letters.refetch();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const { timeZone } = setup.shop;
  const language = readIn(setup.shop.language);
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeStyle: "short", timeZone });
  return (
    <>
      {!letters.data?.length && <p className="quiet">{say("nothingHasBeenWrittenYet")}</p>}
      <ul>
        {letters.data?.map((letter) => (
          <li key={letter.event + letter.at} className="border-b border-base-300 py-1">
            {letter.subject}
            <span className="quiet">
              {" "}
              {say("letterTo", {
                recipient: letter.recipient,
                sent: letter.sent ? when.format(new Date(letter.at)) : say("waitsForPostRoom"),
              })}
            </span>
          </li>
        ))}
      </ul>
      {remind && (
        <button type="button" className="btn btn-sm mt-2" onClick={() => void send()}>
          {say("remindBuyerPayment")}
        </button>
      )}
      <Said problems={problems} />
    </>
  );
}
