import { useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** What the buyer has withdrawn from or wants to send back, what is owed for it, and settling it. */
export function Wishes({ order, fill }: { order: WholeOrder; fill: (parts: Record<string, string>) => void }) {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const key = ["withdrawals", shop, order.number];
  const path = { shop, number: order.number };
  const wishes = useQuery({
    queryKey: [...key, order.payments.map((paid) => paid.refunded).join()],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/withdrawals", { params: { path } })),
  });
  if (!wishes.data?.length) return null;
  const { timeZone } = setup.shop;
  const language = readIn(setup.shop.language);
  const when = new Intl.DateTimeFormat(language, { dateStyle: "medium", timeStyle: "short", timeZone });
  const nameOf = (item: string) => order.items.find((each) => each.item === item)?.name ?? item;
  return (
    <section aria-label={say("sentBack")} className="mb-6 border-t border-base-content pt-3">
      <h2 className="mb-1">{say("sentBack")}</h2>
      {wishes.data.map(({ declared, owed }) => (
        <div key={declared.id} className="mb-2">
          <p>
            {declared.kind === "withdrawal" ? say("withdrawnFrom") : say("wantsReturn")}{" "}
            {declared.lines.map((line) => order.quote.lines[line]?.name).join(", ")}
            <span className="quiet"> · {when.format(new Date(declared.at))}</span>
            {declared.settledAt && (
              <span className="quiet"> {say("settled", { format: when.format(new Date(declared.settledAt)) })}</span>
            )}
          </p>
          {declared.note && <p className="quiet">“{declared.note}”</p>}
          {!declared.settledAt && (
            <p className="flex flex-wrap items-baseline gap-3">
              <span>
                {say("owed", {
                  join:
                    Object.entries(owed)
                      .map(([item, amount]) => `${nameOf(item)} ${money(amount, order.currency, language)}`)
                      .join(", ") || say("nothingMore"),
                })}
              </span>
              <TextButton onClick={() => fill(owed)}>{say("fillRefundWith")}</TextButton>
              <TextButton
                onClick={() =>
                  void answer(
                    api.POST("/api/shops/{shop}/orders/{number}/withdrawals/{id}/settled", {
                      params: { path: { ...path, id: declared.id } },
                    }),
                  ).then(() => client.invalidateQueries({ queryKey: key }))
                }
              >
                {say("settleIt")}
              </TextButton>
            </p>
          )}
        </div>
      ))}
    </section>
  );
}
