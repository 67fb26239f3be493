import { useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type CarrierLink as Link, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { PracticeOffer } from "../../desk/PracticeOffer";
import { useConsent } from "../../desk/useConsent";
import { usePractice } from "../../desk/usePractice";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { carrierKey, useCarrier } from "./useCarrier";

/** The carrier that is asked for prices: its key, what it offers, and how a cell of the sheet uses it. */
export function CarrierLink() {
  const { shop } = useBench();
  const client = useQueryClient();
  const { state: practice } = usePractice();
  const key = carrierKey(shop);
  const path = { params: { path: { shop } } };
  const link = useCarrier();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const run = async (call: Promise<Link>) => {
    setBusy(true);
    await call.then(
      (fresh) => {
        client.setQueryData(key, fresh);
        void client.invalidateQueries({ queryKey: ["costs", shop] });
        void client.invalidateQueries({ queryKey: ["draft", shop] });
        setProblems([]);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  const connect = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const secret = String(new FormData(event.currentTarget).get("secret"));
    event.currentTarget.reset();
    void run(answer(api.PUT("/api/shops/{shop}/carrier", { ...path, body: { secret } })));
  };
  useConsent(({ joined, code, state }) => {
    if (joined === "carrier") {
      void run(answer(api.POST("/api/shops/{shop}/carrier/consent", { ...path, body: { code, state } })));
    }
  });
  const go = () =>
    answer(api.GET("/api/shops/{shop}/carrier/consent", path)).then(
      ({ url }) => window.location.assign(url),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const { connected, services = [], trouble } = link.data ?? {};
  const example = services[0]?.id;
  return (
    <>
      {connected ? (
        <p className="mt-1">
          {say("connectedKeyEndsWith")} <span className="font-mono">{connected.secretEndsWith}</span>.{" "}
          <TextButton disabled={busy} onClick={() => void run(answer(api.DELETE("/api/shops/{shop}/carrier", path)))}>
            {say("disconnect")}
          </TextButton>
        </p>
      ) : (
        <>
          {practice?.on && (
            <p className="mt-1 flex flex-wrap items-baseline gap-x-3">
              <button type="button" className="btn btn-sm" onClick={() => void go()}>
                {say("goToCarrier")}
              </button>
              <span className="text-xs quiet">{say("comingBackConnected")}</span>
            </p>
          )}
          <PracticeOffer />
          <details className="mt-2">
            <summary className="cursor-pointer text-sm underline">{say("keyByHand")}</summary>
            <form className="mt-1 flex items-end gap-3" onSubmit={connect}>
              <label>
                <span className="block text-xs quiet">{say("keyAccount")}</span>
                <input name="secret" type="password" className="inplace w-56 font-mono" autoComplete="off" />
              </label>
              <button type="submit" className="btn btn-sm" disabled={busy}>
                {busy ? say("askingCarrier") : say("checkKeep")}
              </button>
            </form>
          </details>
        </>
      )}
      <Said problems={problems} />
      {trouble && <p className="mt-1 text-warning">{trouble}</p>}
      {services.length > 0 && (
        <>
          <ul className="mt-2" aria-label={say("whatCarrierOffers")}>
            {services.map((service) => (
              <li key={service.id}>
                {service.name} <span className="font-mono quiet">{service.id}</span>
              </li>
            ))}
          </ul>
          <p className="mt-2 quiet">
            {say("cellSheetAsks")} <span className="font-mono">{say("quoteExample", { example })}</span>
            {say("priceAfterElseHoldsWhen")}
          </p>
        </>
      )}
      {!connected && <p className="mt-2 quiet">{say("withoutOneCellWithQuote")}</p>}
    </>
  );
}
