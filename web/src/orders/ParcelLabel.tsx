import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf, type WholeOrder } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";

export interface Tracked {
  tracking: string;
  carrier: string;
  link: string;
}

interface Props {
  order: WholeOrder;
  /** Told of the label that was bought, to be filled in where the parcel is sent. */
  fill: (tracked: Tracked) => void;
}

/** A label for the parcels that leave next, bought from the shop's carrier, and those bought before. */
export function ParcelLabel({ order, fill }: Props) {
  const { shop, setup } = useBench();
  const client = useQueryClient();
  const [service, setService] = useState("");
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const path = { shop, number: order.number };
  const key = ["labels", shop, order.number];
  const labels = useQuery({
    queryKey: [...key, order.gone.join()],
    queryFn: () => answer(api.GET("/api/shops/{shop}/orders/{number}/labels", { params: { path } })),
  });
  if (!labels.data || (labels.data.offers.length === 0 && labels.data.bought.length === 0)) return null;
  const { offers, bought } = labels.data;
  const language = readIn(setup.shop.language);
  const chosen = service || offers[0]?.id || "";
  const buy = async () => {
    setBusy(true);
    await answer(
      api.POST("/api/shops/{shop}/orders/{number}/labels", { params: { path }, body: { service: chosen } }),
    ).then(
      (now) => {
        setProblems([]);
        client.setQueryData([...key, order.gone.join()], now);
        if (now.bought[0]) fill(now.bought[0]);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <div className="mb-2 text-sm">
      {bought.map((label) => (
        <p key={label.id}>
          <a className="underline" href={`/api/shops/${shop}/orders/${order.number}/labels/${label.id}`}>
            {say("labelToPrint")}
          </a>{" "}
          <span className="font-mono">{label.tracking}</span>{" "}
          <span className="quiet">
            {offers.find((offer) => offer.id === label.service)?.name ?? label.service},{" "}
            {money(label.price, label.currency, language)}
          </span>
        </p>
      ))}
      {offers.length > 0 && (
        <div className="flex flex-wrap items-end gap-x-3">
          <label>
            <span className="block text-xs quiet">{say("labelOf")}</span>
            <select className="inplace" value={chosen} onChange={(event) => setService(event.target.value)}>
              {offers.map((offer) => (
                <option key={offer.id} value={offer.id}>
                  {offer.name}, {money(offer.price, offer.currency, language)}
                </option>
              ))}
            </select>
          </label>
          <button type="button" className="btn btn-sm" disabled={busy} onClick={() => void buy()}>
            {say(bought.length > 0 ? "buyAnotherLabel" : "buyLabel")}
          </button>
        </div>
      )}
      <Said problems={problems} />
    </div>
  );
}
