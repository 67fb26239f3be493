import { useBench } from "../desk/bench";
import { firstOf } from "./basket";

/** No sample basket yet: one is made from the first thing for sale. */
export function FirstBasket() {
  const bench = useBench();
  const product = bench.setup.goods.products[0];
  if (!product)
    return (
      <p className="quiet">
        The ticket prices a sample order as soon as there is something to sell: answer the first questions, or begin at
        Goods.
      </p>
    );
  const make = () =>
    void bench.set("rehearsal/baskets/first", {
      id: "first",
      name: `One ${product.name}`,
      lines: [firstOf(product)],
      to: { country: bench.setup.shop.address.country },
    });
  return (
    <button type="button" className="btn btn-primary btn-sm" onClick={make}>
      Price one {product.name}
    </button>
  );
}
