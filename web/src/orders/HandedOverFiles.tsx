import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** The files an order brought: how often they were fetched, and how to let them be fetched again. */
export function HandedOverFiles({ order, shop }: { order: WholeOrder; shop: string }) {
  const { setup } = useBench();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const format = new Intl.DateTimeFormat(readIn(setup.shop.language), {
    dateStyle: "medium",
    timeZone: setup.shop.timeZone,
  });
  const day = (instant: string) => format.format(new Date(instant));
  const renew = () =>
    answer(
      api.POST("/api/shops/{shop}/orders/{number}/downloads", { params: { path: { shop, number: order.number } } }),
    ).then(
      () => void client.invalidateQueries({ queryKey: ["order", shop, order.number] }),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  return (
    <section aria-label={say("filesHandedOver")} className="mb-6">
      <h2 className="mb-1">{say("filesHandedOver")}</h2>
      {order.files.map((file) => (
        <p key={file.name}>
          {file.name}{" "}
          <span className="quiet">
            {new Date(file.from) > new Date()
              ? say("filesFrom", { from: day(file.from) })
              : say("fetchedOf", { used: file.used, most: file.most, until: day(file.until) })}
          </span>
        </p>
      ))}
      <TextButton onClick={() => void renew()}>{say("renewFiles")}</TextButton>
      <Said problems={problems} />
    </section>
  );
}
