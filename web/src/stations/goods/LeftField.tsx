import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

interface Props {
  product: string;
  /** The product, or the product and one of its combinations. */
  item: string;
  name: string;
  hideName?: boolean;
  /** What has to be there before it can be counted. */
  before?: () => Promise<boolean>;
}

/** How many are left of one thing. It holds at once, with no draft between. */
export function LeftField({ product, item, name, hideName, before }: Props) {
  const { shop } = useBench();
  const path = { params: { path: { shop, product } } };
  const client = useQueryClient();
  const key = ["stock", shop, product];
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/stock/{product}", path)),
  });
  const seen = data?.left[item];
  const [typed, setTyped] = useState<string>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const shown = typed ?? seen ?? "";
  const leave = async () => {
    if (typed === undefined || typed.trim() === (seen ?? "")) return setTyped(undefined);
    if (before && !(await before())) return;
    const remaining = typed.trim().replace(",", ".");
    const body = { item, ...(seen === undefined ? {} : { seen }), ...(remaining === "" ? {} : { remaining }) };
    await answer(api.PUT("/api/shops/{shop}/stock/{product}", { ...path, body })).then(
      (fresh) => {
        setProblems([]);
        setTyped(undefined);
        client.setQueryData(key, fresh);
      },
      (reason: unknown) => {
        setProblems(problemsOf(reason));
        void client.invalidateQueries({ queryKey: key });
      },
    );
  };
  return (
    <span className="block">
      <label>
        <span className={hideName ? "sr-only" : "block text-xs quiet"}>{name}</span>
        <input
          className="inplace w-full font-mono"
          inputMode="decimal"
          aria-label={say("leftOf", { name })}
          aria-invalid={problems.length > 0}
          placeholder={hideName ? "" : say("notCounted")}
          value={shown}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => void leave()}
          onKeyDown={(event) => {
            if (event.key === "Enter") event.currentTarget.blur();
            if (event.key === "Escape") {
              setTyped(undefined);
              setProblems([]);
            }
          }}
        />
      </label>
      <Said problems={problems} />
    </span>
  );
}
