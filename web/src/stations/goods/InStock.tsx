import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf, type Setup } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

type Product = Setup["goods"]["products"][number];

/** How many are left of a product, or of each variation. It holds at once, with no draft between. */
export function InStock({ product }: { product: Product }) {
  const { shop } = useBench();
  const path = { params: { path: { shop, product: product.id } } };
  const client = useQueryClient();
  const key = ["stock", shop, product.id];
  const left = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/stock/{product}", path)) });
  const [problems, setProblems] = useState<Problem[]>([]);
  const counted = async (item: string, seen: string | undefined, typed: string) => {
    const body = { item, ...(seen === undefined ? {} : { seen }), ...(typed === "" ? {} : { remaining: typed }) };
    await answer(api.PUT("/api/shops/{shop}/stock/{product}", { ...path, body })).then(
      (fresh) => {
        setProblems([]);
        client.setQueryData(key, fresh);
      },
      (reason: unknown) => {
        setProblems(problemsOf(reason));
        void client.invalidateQueries({ queryKey: key });
      },
    );
  };
  const items = [
    { item: product.id, name: product.variations.length > 0 ? say("allOthers") : product.name },
    ...product.variations.map((variation) => ({
      item: `${product.id}/${variation.id}`,
      name: Object.values(variation.options).join(", "),
    })),
  ];
  return (
    <div className="mt-3 grid gap-x-4 md:grid-cols-[8rem_1fr]">
      <h3 className="text-sm">{say("stock")}</h3>
      <div>
        <div className="grid grid-cols-2 content-start gap-x-6 gap-y-2 md:grid-cols-3">
          {left.isSuccess &&
            items.map(({ item, name }) => (
              <Count
                key={`${item} ${left.data.left[item] ?? ""}`}
                name={name}
                seen={left.data.left[item]}
                count={(typed) => counted(item, left.data.left[item], typed)}
              />
            ))}
        </div>
        <p className="mt-1 text-xs quiet">{say("holdsAtOnceWithoutPublishing")}</p>
        <Said problems={problems} />
      </div>
    </div>
  );
}

function Count({
  name,
  seen,
  count,
}: {
  name: string;
  seen: string | undefined;
  count: (typed: string) => Promise<void>;
}) {
  const [typed, setTyped] = useState(seen ?? "");
  const leave = () => {
    if (typed.trim() !== (seen ?? "")) void count(typed.trim().replace(",", "."));
  };
  return (
    <label>
      <span className="block text-xs quiet">{name}</span>
      <input
        className="inplace w-full font-mono"
        inputMode="decimal"
        aria-label={say("leftOf", { name })}
        placeholder={say("notCounted")}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") setTyped(seen ?? "");
        }}
      />
    </label>
  );
}
