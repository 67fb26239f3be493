import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Gateway, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { Trial } from "./Trial";

const states: Record<Gateway["state"], string> = {
  "not-connected": "Not connected: no keys are entered.",
  "keys-entered": "Keys entered, not checked yet.",
  "waiting-for-approval": "Waiting for approval by the provider; this is asked after every minute.",
  test: "Connected in test mode: no money moves.",
  live: "Connected and live.",
  failing: "Failing: the provider refuses the keys.",
};

/** The account behind a way to pay. Its secret is written and never read back. */
export function Account({ gateway, provider }: { gateway: string; provider: "cards" | "wallet" }) {
  const { shop } = useBench();
  const client = useQueryClient();
  const key = ["gateways", shop];
  const gateways = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/gateways", { params: { path: { shop } } })),
  });
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const known = gateways.data?.find((each) => each.id === gateway);
  const again = () => {
    void client.invalidateQueries({ queryKey: key });
    void client.invalidateQueries({ queryKey: ["draft", shop] });
  };
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
        again();
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  const input = "inplace w-full font-mono";
  return (
    <section aria-label="The account behind it" className="border-s-2 border-base-300 ps-4">
      <p>
        <strong>{known?.mode === "test" ? "Test" : known?.mode === "live" ? "Live" : "No account yet"}</strong> ·{" "}
        {states[known?.state ?? "not-connected"]}
      </p>
      <form
        key={known?.publicKey ?? "none"}
        className="mt-2 grid grid-cols-1 items-end gap-x-6 gap-y-2 sm:grid-cols-2"
        onSubmit={connect}
      >
        <label>
          <span className="block text-xs quiet">Publishable key</span>
          <input
            name="publicKey"
            className={input}
            defaultValue={known?.publicKey}
            autoComplete="off"
            spellCheck={false}
          />
        </label>
        <label>
          <span className="block text-xs quiet">Secret key, stored encrypted, never shown again</span>
          <input
            name="secret"
            type="password"
            className={input}
            autoComplete="off"
            placeholder={known?.secretEndsWith ? `kept, ends with ${known.secretEndsWith}` : ""}
          />
        </label>
        <label>
          <span className="block text-xs quiet">On the buyer's statement</span>
          <input
            name="statement"
            className={input}
            maxLength={22}
            defaultValue={known?.statement}
            placeholder="5 to 22 letters"
          />
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
            test
          </label>
          <label className="flex items-center gap-1.5">
            <input
              type="radio"
              name="mode"
              value="live"
              className="radio radio-xs"
              defaultChecked={known?.mode === "live"}
            />
            live
          </label>
          <button type="submit" className="btn btn-sm ms-auto" disabled={busy}>
            {busy ? "Asking the provider …" : "Check and keep"}
          </button>
        </div>
      </form>
      <Said problems={problems} />
      {(known?.state === "test" || known?.state === "live") && <Trial gateway={known} done={again} />}
    </section>
  );
}
