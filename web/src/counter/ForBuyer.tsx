import { endForBuyer, forBuyer } from "./forBuyer";
import { useSay } from "./phrases";

interface Props {
  shop: string;
  /** The order, once there is one. */
  number?: number;
}

/** Says that the seller is ordering for somebody else, and how to stop that. */
export function ForBuyer({ shop, number }: Props) {
  const say = useSay();
  if (!forBuyer(shop)) return null;
  return (
    <p role="status" className="flex flex-wrap gap-x-4 bg-base-content px-5 py-1.5 text-sm text-base-100">
      <span>{say(number ? "tookForBuyer" : "takeForBuyer")}</span>
      {number && (
        <a className="underline" href={`/desk/${shop}/orders/${number}`}>
          {say("orderAtDesk")}
        </a>
      )}
      <button
        type="button"
        className="cursor-pointer underline"
        onClick={() => {
          endForBuyer();
          location.assign(`/desk/${shop}/orders`);
        }}
      >
        {say("noMoreForBuyer")}
      </button>
    </p>
  );
}
