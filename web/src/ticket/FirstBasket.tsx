import { useActs, useBench } from "../desk/bench";
import { setupPath } from "../shared/paths";
import { say } from "../shared/say";
import { firstOf, sampleOf } from "./basket";

/** No sample basket yet: one is made from the first thing for sale. */
export function FirstBasket() {
  const bench = useBench();
  const acts = useActs();
  const product = bench.setup.goods.products[0];
  if (!product) return <p className="quiet">{say("ticketPricesSampleOrderAs")}</p>;
  const make = () =>
    void acts.set(
      setupPath("rehearsal", "baskets", "first"),
      sampleOf({ id: "first", name: say("one", { name: product.name }) }, [firstOf(product)], {
        country: bench.setup.shop.address.country,
      }),
    );
  return (
    <button type="button" className="btn btn-primary btn-sm" onClick={make}>
      {say("priceOne", { name: product.name })}
    </button>
  );
}
