import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

/** Codes of a discount that are good for one order each: made here, handed out as the seller likes. */
export function SingleUseCodes({ discount }: { discount: string }) {
  const { shop } = useBench();
  const client = useQueryClient();
  const [problems, setProblems] = useState<Problem[]>([]);
  const params = { path: { shop, discount } };
  const key = ["discount-codes", shop, discount];
  const made = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/discounts/{discount}/codes", { params })),
  });
  const make = useMutation({
    mutationFn: (count: number) =>
      answer(api.POST("/api/shops/{shop}/discounts/{discount}/codes", { params, body: { count } })),
    onSuccess: (after) => {
      setProblems([]);
      client.setQueryData(key, after);
    },
    onError: (reason: unknown) => setProblems(problemsOf(reason)),
  });
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    make.mutate(Number(new FormData(event.currentTarget).get("count")));
  };
  return (
    <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2 text-sm">
      <label>
        <span className="block text-xs quiet">{say("codesForOneOrder")}</span>
        <input name="count" type="number" min={1} max={5000} defaultValue={100} className="inplace figure w-24" />
      </label>
      <button type="submit" className="btn btn-sm" disabled={make.isPending}>
        {say("makeCodes")}
      </button>
      {made.data && made.data.all > 0 && (
        <p>
          {say("codesMade", { all: made.data.all, used: made.data.used })}{" "}
          <a className="underline" href={`/api/shops/${shop}/discounts/${discount}/codes.csv`} download>
            {say("file")}
          </a>
        </p>
      )}
      <Said problems={problems} />
    </form>
  );
}
