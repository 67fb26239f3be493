import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** Money that came beyond what the order costs: until it is given back it is somebody else's. */
export function Surplus({ order }: { order: WholeOrder }) {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const path = { shop, number: order.number };
  const key = ["surplus", shop, order.number];
  const surplus = useQuery({
    queryKey: [...key, order.standing, order.payments.map((paid) => paid.captured).join()],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/surplus", { params: { path } })),
  });
  if (!surplus.data?.length) return null;
  const { timeZone } = setup.shop;
  const language = readIn(setup.shop.language);
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeZone });
  const giveBack = (id: number) =>
    answer(
      api.POST("/api/shops/{shop}/orders/{number}/surplus/{id}/returned", { params: { path: { ...path, id } } }),
    ).then(
      () => client.invalidateQueries({ queryKey: key }),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  return (
    <section aria-label={say("tooMuchCame")} className="mb-6 border-s-4 border-accent ps-3">
      <h2 className="mb-1">{say("tooMuchCame")}</h2>
      {surplus.data.map((each) => (
        <p key={each.id} className="flex flex-wrap items-baseline gap-x-3">
          <span className="figure">{money(each.amount, order.currency, language)}</span>
          <span className="quiet">{when.format(new Date(each.at))}</span>
          {each.returnedAt ? (
            <span className="quiet">{say("wentBackOn", { day: when.format(new Date(each.returnedAt)) })}</span>
          ) : (
            <TextButton onClick={() => void giveBack(each.id)}>{say("itIsGivenBack")}</TextButton>
          )}
        </p>
      ))}
      <p className="text-xs quiet">{say("surplusNote")}</p>
      <Said problems={problems} />
    </section>
  );
}
