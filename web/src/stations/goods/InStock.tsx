import type { Setup } from "../../api/client";
import { Field } from "../../shared/Field";
import { whole } from "../../shared/notation/plain";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { partial } from "./choices";
import { LeftField } from "./LeftField";

type Product = Setup["goods"]["products"][number];

/** How many are left of a product, apart from what its board of choices counts. It holds at once. */
export function InStock({ product }: { product: Product }) {
  const choice = (option: string, id: string) =>
    product.options.find((each) => each.id === option)?.choices.find((each) => each.id === id)?.name ?? id;
  const items = [
    { item: product.id, name: product.variations.length > 0 ? say("allOthers") : product.name },
    ...partial(product).map((variation) => ({
      item: `${product.id}/${variation.id}`,
      name: Object.entries(variation.options)
        .map(([option, id]) => choice(option, id))
        .join(", "),
    })),
  ];
  return (
    <div className="mt-3 grid gap-x-4 md:grid-cols-[8rem_1fr]">
      <h3 className="text-sm">{say("stock")}</h3>
      <div>
        <div className="grid grid-cols-2 content-start gap-x-6 gap-y-2 md:grid-cols-3">
          {items.map(({ item, name }) => (
            <LeftField key={item} product={product.id} item={item} name={name} />
          ))}
        </div>
        <p className="mt-1 text-xs quiet">{say("holdsAtOnceWithoutPublishing")}</p>
        <div className="mt-2 max-w-72">
          <Field
            path={setupPath("goods", "lowStock")}
            label={say("tellWhenSoFewLeft")}
            placeholder={say("notTold")}
            note={say("lowStockOfAllGoods")}
            {...whole}
          />
        </div>
      </div>
    </div>
  );
}
