import { type FormEvent, useState } from "react";
import { answer, api, type Gateway, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { PracticeOffer } from "../../desk/PracticeOffer";
import { usePractice } from "../../desk/usePractice";
import { Said } from "../../shared/Said";
import { say, sayCode } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { Trial } from "./Trial";
import { type Provider, usable, useGateways } from "./useGateways";

const states: Record<Gateway["state"], string> = {
  "not-connected": say("notConnectedNoKeysAre"),
  "keys-entered": say("keysEnteredNotCheckedYet"),
  "waiting-for-approval": say("waitingForApprovalByProvider"),
  test: say("connectedTestModeNoMoney"),
  live: say("connectedLive"),
  failing: say("failingProviderRefusesKeys"),
};

interface Props {
  gateway: string;
  provider: Provider;
  /** What stood against what the provider's page brought back. */
  brought?: Problem[];
}

/** The account behind a way to pay. Its secret is written and never read back. */
export function Account({ gateway, provider, brought = [] }: Props) {
  const { shop } = useBench();
  const gateways = useGateways();
  const { state: practice } = usePractice();
  const known = gateways.of(gateway);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const connect = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const typed = (name: string) => String(new FormData(form).get(name) ?? "");
    setBusy(true);
    const body = {
      provider,
      mode: typed("mode"),
      publicKey: typed("publicKey"),
      secret: typed("secret"),
      statement: typed("statement"),
    };
    await answer(api.PUT("/api/shops/{shop}/gateways/{gateway}", { params: { path: { shop, gateway } }, body })).then(
      () => {
        setProblems([]);
        form.reset();
        gateways.refresh();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  const go = () =>
    answer(
      api.GET("/api/shops/{shop}/gateways/{gateway}/consent", {
        params: { path: { shop, gateway }, query: { provider } },
      }),
    ).then(
      ({ url }) => window.location.assign(url),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const ask = () =>
    answer(api.POST("/api/shops/{shop}/gateways/{gateway}/ask", { params: { path: { shop, gateway } } })).then(
      gateways.refresh,
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const connected = known !== undefined && known.state !== "not-connected";
  const input = "inplace w-full font-mono";
  return (
    <section aria-label={say("accountBehind")} className="border-s-2 border-base-300 ps-4">
      <p>
        <strong>{known?.mode ? sayCode("mode", known.mode) : say("noAccountYet")}</strong> ·{" "}
        {states[known?.state ?? "not-connected"]}{" "}
        {known?.state === "waiting-for-approval" && <TextButton onClick={() => void ask()}>{say("askNow")}</TextButton>}
      </p>
      {practice?.on && (
        <p className="mt-2 flex flex-wrap items-baseline gap-x-3">
          <button
            type="button"
            className={`btn btn-sm ${connected ? "btn-ghost" : "btn-primary"}`}
            onClick={() => void go()}
          >
            {say(connected ? "pickAnotherAccount" : "goToProvider")}
          </button>
          {!connected && <span className="text-xs quiet">{say("comingBackConnected")}</span>}
        </p>
      )}
      {!connected && <PracticeOffer />}
      <details className="mt-2">
        <summary className="cursor-pointer text-sm underline">{say("keysByHand")}</summary>
        <form
          key={known?.publicKey ?? "none"}
          className="mt-3 grid grid-cols-1 items-end gap-x-6 gap-y-2 sm:grid-cols-2"
          onSubmit={connect}
        >
          <label className="col-span-full">
            <span className="block text-xs quiet">{say("keyForBuyersPage")}</span>
            <input
              name="publicKey"
              className={input}
              defaultValue={known?.publicKey}
              autoComplete="off"
              spellCheck={false}
            />
          </label>
          <label className="col-span-full">
            <span className="block text-xs quiet">{say("keyForShop")}</span>
            <input
              name="secret"
              type="password"
              className={input}
              autoComplete="off"
              placeholder={known?.secretEndsWith ? say("keptEndsWith", { secretEndsWith: known.secretEndsWith }) : ""}
            />
          </label>
          <label>
            <span className="block text-xs quiet">{say("onBuyersStatement")}</span>
            <input name="statement" className={input} defaultValue={known?.statement} />
          </label>
          <div className="flex items-center gap-3">
            <label className="flex items-center gap-1.5">
              <input
                type="radio"
                name="mode"
                value="test"
                className="radio radio-xs"
                defaultChecked={known?.mode !== "live"}
              />
              {sayCode("mode", "test")}
            </label>
            <label className="flex items-center gap-1.5">
              <input
                type="radio"
                name="mode"
                value="live"
                className="radio radio-xs"
                defaultChecked={known?.mode === "live"}
              />
              {sayCode("mode", "live")}
            </label>
            <button type="submit" className="btn btn-sm ms-auto" disabled={busy}>
              {busy ? say("askingProvider") : say("checkKeep")}
            </button>
          </div>
        </form>
      </details>
      <Said problems={brought} />
      <Said problems={problems} />
      {connected && usable(known) && <Trial gateway={known} done={gateways.refresh} />}
    </section>
  );
}
