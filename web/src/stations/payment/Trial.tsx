import { useState } from "react";
import { answer, api, type Gateway, type Problem, problemsOf, type TrialSteps } from "../../api/client";
import { inEnglish } from "../../counter/phrases";
import { tokenOf } from "../../counter/token";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

/** A true payment of the smallest amount through the account, step by step; of a live one it is real money. */
export function Trial({ gateway, done }: { gateway: Gateway; done: () => void }) {
  const { shop } = useBench();
  const [number, setNumber] = useState("");
  const [trial, setTrial] = useState<TrialSteps>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const card = gateway.provider === "cards";
  const live = gateway.state === "live";

  const run = async (more: { key?: string; cardToken?: string }) => {
    const body = { key: more.key ?? null, cardToken: more.cardToken ?? null };
    const call = { params: { path: { shop, gateway: gateway.id } }, body };
    await answer(api.POST("/api/shops/{shop}/gateways/{gateway}/trial", call)).then(
      (fresh) => {
        setTrial((before) => ({
          ...fresh,
          steps: more.key ? [...(before?.steps ?? []), ...fresh.steps] : fresh.steps,
        }));
        if (fresh.whole) done();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  const begin = async () => {
    setBusy(true);
    setProblems([]);
    setTrial(undefined);
    if (card) {
      const { token, problem } = await tokenOf(gateway.url, gateway.publicKey, number, inEnglish);
      if (token) await run({ cardToken: token });
      else if (problem) setProblems([problem]);
    } else {
      await run({});
    }
    setBusy(false);
  };
  return (
    <div className="mt-3">
      <div className="flex flex-wrap items-end gap-3">
        {card && (
          <label>
            <span className="block text-xs quiet">
              {live ? (
                say("cardYourOwn")
              ) : (
                <>
                  {say("testCard")}{" "}
                  <a className="underline" href={`${gateway.url}/`} target="_blank" rel="noreferrer">
                    {say("processorListsThem")}
                  </a>
                </>
              )}
            </span>
            <input
              className="inplace w-56 font-mono"
              inputMode="numeric"
              value={number}
              onChange={(event) => setNumber(event.target.value)}
            />
          </label>
        )}
        <button type="button" className="btn btn-sm" disabled={busy || (card && !number)} onClick={() => void begin()}>
          {busy ? say("trying") : live ? say("tryWithRealMoney") : say("try")}
        </button>
        <span className="text-xs quiet">
          {gateway.triedAt
            ? say("lastTried", { slice: gateway.triedAt.slice(0, 10) })
            : say("neverTriedSinceKeysChanged")}
        </span>
      </div>
      {live && <p className="text-xs quiet">{say("smallestAmountTakenGivenBack")}</p>}
      <Said problems={problems} />
      {trial && (
        <ol className="mt-2" aria-live="polite" aria-label={say("stepsTrial")}>
          {trial.steps.map((step) => (
            <li key={step.done} className={step.well ? "" : "text-error"}>
              {step.well ? "✓" : "✕"} {step.done}
            </li>
          ))}
        </ol>
      )}
      {trial?.action && (
        <p className="mt-1 flex gap-4">
          <a className="underline" href={trial.action} target="_blank" rel="noreferrer">
            {say("answerAsBuyer")}
          </a>
          <TextButton onClick={() => void run({ key: trial.key })}>{say("goOn")}</TextButton>
        </p>
      )}
    </div>
  );
}
