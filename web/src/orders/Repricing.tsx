import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { problemsOf, type Repriced } from "../api/client";
import { useBench } from "../desk/bench";
import { money } from "../shared/money";
import { Said } from "../shared/Said";
import { readIn, say } from "../shared/say";
import { TextButton } from "../shared/TextButton";

/** A change of an order: looked at first, done once it is said what it comes to. */
export function useRepricing<Body>(
  shop: string,
  put: (body: Body, look: boolean) => Promise<Repriced>,
  done: () => void,
) {
  const client = useQueryClient();
  const [looked, setLooked] = useState<{ body: Body; repriced: Repriced }>();
  const save = useMutation({
    mutationFn: (body: Body) => put(body, false),
    onSuccess: async () => {
      setLooked(undefined);
      await client.invalidateQueries({ queryKey: ["order", shop] });
      done();
    },
  });
  const look = useMutation({
    mutationFn: (body: Body) => put(body, true),
    onSuccess: (repriced, body) => {
      // What changes nothing of the amount needs no second press.
      if (repriced.before === repriced.now) save.mutate(body);
      else setLooked({ body, repriced });
    },
    onMutate: () => setLooked(undefined),
  });
  return {
    look: look.mutate,
    busy: look.isPending || save.isPending,
    problems: look.isError ? problemsOf(look.error) : save.isError ? problemsOf(save.error) : [],
    looked: looked?.repriced,
    doIt: () => looked && save.mutate(looked.body),
    forget: () => setLooked(undefined),
  };
}

/** What a change would do to the amount, what becomes of the difference, and the press that does it. */
export function Repricing({
  change,
  paid,
}: {
  change: Pick<ReturnType<typeof useRepricing>, "looked" | "problems" | "busy" | "doIt" | "forget">;
  /** Whether the order is paid: then the difference is given back or waited for. */
  paid: boolean;
}) {
  const { setup } = useBench();
  const { looked } = change;
  if (!looked) return <Said problems={change.problems} />;
  const amount = (value: string) => money(value, looked.currency, readIn(setup.shop.language));
  const more = Number(looked.now) - Number(looked.before);
  const difference = amount(Math.abs(more).toFixed(looked.now.split(".")[1]?.length ?? 0));
  return (
    <div role="status" className="border-s-4 border-accent ps-3">
      <p>
        {say("wouldComeTo", { now: amount(looked.now), before: amount(looked.before) })}{" "}
        {paid && say(more < 0 ? "differenceBack" : "differenceWaited", { amount: difference })}
      </p>
      <Said problems={change.problems} />
      <p className="mt-1 flex gap-4">
        <button type="button" className="btn btn-sm btn-primary" disabled={change.busy} onClick={change.doIt}>
          {say("changeOrderSo")}
        </button>
        <TextButton onClick={change.forget}>{say("notYet")}</TextButton>
      </p>
    </div>
  );
}
