import { useCallback, useEffect, useState } from "react";
import { answer, api, type Problem, problemsOf } from "../../api/client";
import { useActs, useBench, usePriced, useSpotlight } from "../../desk/bench";
import { type Consent, useConsent } from "../../desk/useConsent";
import { setupPath } from "../../shared/paths";
import { StationHead } from "../../shared/StationHead";
import { say, sayCode } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { AsRead } from "./AsRead";
import { Behind } from "./Behind";
import { type KindOf, kindOf, kinds } from "./kinds";
import { Axis } from "./Route";
import { routeOf } from "./route";
import { type Provider, usable, useGateways } from "./useGateways";
import { Vouchers } from "./Vouchers";
import { Way } from "./Way";

/** The way the money takes: a line for each way to pay, from the buyer to the seller. */
export function PaymentStation() {
  const bench = useBench();
  const acts = useActs();
  const priced = usePriced();
  const { wanted } = useSpotlight();
  const gateways = useGateways();
  const { methods } = bench.setup.payment;
  const [chosen, setChosen] = useState("");
  const method = methods.find((each) => each.id === chosen) ?? methods[0];
  const missing = kinds.filter((kind) => methods.every((each) => each.kind !== kind.id));
  const again = kinds.filter((kind) => kind.provider && !missing.includes(kind));
  const add = async ({ id: kind, title, sentence, gateway }: KindOf) => {
    // A second way of a kind goes through an account of its own.
    const free = (from: string, taken: (string | null | undefined)[]) => {
      for (let n = 2; ; n++) if (!taken.includes(`${from}-${n}`)) return `${from}-${n}`;
    };
    const first = methods.every((each) => each.kind !== kind);
    const id = first
      ? kind
      : free(
          kind,
          methods.map((each) => each.id),
        );
    const through =
      gateway &&
      (first
        ? gateway
        : free(
            gateway,
            methods.map((each) => each.gateway),
          ));
    const now = { id, kind, on: false, title, sentence, ...(through ? { gateway: through } : {}) };
    if (await acts.set(setupPath("payment", "methods", id), now)) setChosen(id);
  };
  // Who is led to a field of a way finds the way open.
  const [, list, id] = wanted.startsWith("payment/") ? wanted.split("/") : [];
  useEffect(() => {
    if (list === "methods" && id) setChosen(id);
    if (list === "account") setChosen(methods.find((each) => each.kind === "transfer")?.id ?? "");
  }, [list, id, methods]);
  const [brought, setBrought] = useState<Problem[]>([]);
  const { shop } = bench;
  const { refresh } = gateways;
  const take = useCallback(
    ({ joined, provider, code, state }: Consent) => {
      setChosen(methods.find((each) => each.gateway === joined)?.id ?? "");
      void answer(
        api.POST("/api/shops/{shop}/gateways/{gateway}/consent", {
          params: { path: { shop, gateway: joined } },
          body: { provider: provider as Provider, code, state },
        }),
      ).then(
        () => {
          setBrought([]);
          refresh();
        },
        (reason: unknown) => setBrought(problemsOf(reason)),
      );
    },
    [methods, shop, refresh],
  );
  useConsent(take);
  const promise = priced?.delivery.find((option) => option.chosen)?.promise ?? undefined;
  return (
    <>
      <StationHead title={say("payment")}>
        {priced && say("ticketsMoneyOnItsWay", { amount: priced.payable.value })}
      </StationHead>
      {methods.length === 0 ? (
        <p className="max-w-xl py-3 quiet">{say("noWayPaySetUp")}</p>
      ) : (
        <>
          <div className="hidden border-b border-base-content sm:grid sm:grid-cols-[18rem_1fr]">
            <span className="self-end pb-1 text-xs quiet">{say("nothingOnUntilTurnedOn")}</span>
            <Axis promise={promise} />
          </div>
          <ul aria-label={say("wayMoneyTakes")}>
            {methods.map((each) => (
              <Way
                key={each.id}
                method={each}
                seen={priced?.methods.find((one) => one.id === each.id)}
                connected={!kindOf(each.kind)?.provider || usable(gateways.of(each.gateway))}
                chosen={each.id === method?.id}
                choose={() => setChosen(each.id)}
              />
            ))}
          </ul>
        </>
      )}
      {missing.length + again.length > 0 && (
        <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm">
          <span className="quiet">{say("notSewnOn")}</span>
          {missing.map((kind) => (
            <span key={kind.id}>
              <TextButton onClick={() => void add(kind)}>{kind.title}</TextButton>{" "}
              <span className="text-xs quiet">
                {sayCode("band", routeOf({ kind: kind.id, capture: "at-once", terms: null }).band)}
              </span>
            </span>
          ))}
          {again.map((kind) => (
            <TextButton key={kind.id} onClick={() => void add(kind)}>
              {say("anotherAccountOf", { title: kind.title })}
            </TextButton>
          ))}
        </p>
      )}
      {method && (
        <div className="mt-4 grid gap-x-8 gap-y-6 border-t border-base-content pt-3 lg:grid-cols-[minmax(0,1fr)_17rem]">
          <Behind key={method.id} method={method} brought={brought} />
          <div className="grid content-start gap-6">
            <AsRead chosen={method} choose={setChosen} />
          </div>
        </div>
      )}
      <div className="mt-6 max-w-xl">
        <Vouchers />
      </div>
    </>
  );
}
