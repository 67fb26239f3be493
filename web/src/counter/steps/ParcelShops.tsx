import { useQuery } from "@tanstack/react-query";
import { answer, api, type Counter } from "../../api/client";
import type { Kept } from "../basket";
import { useSay } from "../phrases";

interface Props {
  counter: Counter;
  kept: Kept;
  change: (part: Partial<Kept>) => void;
}

/** The parcel shops near the buyer's address, one of which is picked. */
export function ParcelShops({ counter, kept, change }: Props) {
  const say = useSay();
  const near = { country: kept.country, postcode: kept.postcode };
  const shops = useQuery({
    queryKey: ["parcel-shops", counter.shop, near],
    queryFn: () =>
      answer(api.GET("/api/counter/{shop}/parcel-shops", { params: { path: { shop: counter.shop }, query: near } })),
  });
  if (shops.isPending) return null;
  if (!shops.data?.length) {
    return (
      <p role="alert" className="mt-3 text-error">
        {say("noParcelShop")}
      </p>
    );
  }
  return (
    <fieldset className="mt-4 border border-base-300 bg-base-100">
      <legend className="ms-4 px-1 text-sm">{say("pickParcelShop")}</legend>
      {shops.data.map((each) => (
        <label
          key={each.id}
          className="flex cursor-pointer gap-3 border-t border-base-300 px-4 py-3 first-of-type:border-t-0"
        >
          <input
            type="radio"
            name="parcel-shop"
            className="radio radio-sm mt-0.5"
            checked={kept.parcelShop?.id === each.id}
            onChange={() => change({ parcelShop: each })}
          />
          <span>
            <span className="font-semibold">{each.name}</span>
            <span className="block text-sm quiet">
              {[...each.lines, `${each.postcode} ${each.city}`.trim()].join(", ")}
            </span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}
