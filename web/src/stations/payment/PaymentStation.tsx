import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type Gateway, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { Said } from "../../shared/Said";
import { StationHead } from "../../shared/StationHead";

const states: Record<Gateway["state"], string> = {
  "not-connected": "Not connected: no keys are entered.",
  "keys-entered": "Keys entered, not checked yet.",
  "waiting-for-approval": "Waiting for approval by the provider.",
  test: "Connected in test mode: no money moves.",
  live: "Connected and live.",
  failing: "Failing: the provider refuses the keys.",
};

/** The ways to pay as the buyer sees them, and the account behind each. */
export function PaymentStation() {
  const bench = useBench();
  const { methods } = bench.setup.payment;
  const addCard = () =>
    void bench.set("payment/methods/card", {
      id: "card",
      kind: "card",
      on: false,
      title: "Card",
      sentence: "",
      gateway: "cards",
    });
  return (
    <>
      <StationHead title="Payment">Nothing is on until it is turned on here.</StationHead>
      {methods.length === 0 ? (
        <div className="max-w-xl py-6">
          <p className="mb-3 quiet">
            No way to pay is set up. An account with a card processor can take a day to be approved, so this is worth
            beginning early.
          </p>
          <button type="button" className="btn btn-primary btn-sm" onClick={addCard}>
            Take cards
          </button>
        </div>
      ) : (
        methods.map((method) => <Method key={method.id} id={method.id} />)
      )}
    </>
  );
}

function Method({ id }: { id: string }) {
  const bench = useBench();
  const method = bench.setup.payment.methods.find((each) => each.id === id);
  if (!method) return null;
  const path = `payment/methods/${id}`;
  const addFee = () => void bench.set(`${path}/fee`, { percent: "0", fixed: "0" });
  return (
    <article className="grid gap-8 border-t border-base-content pt-4 xl:grid-cols-2">
      <section aria-label="As the buyer sees it">
        <div className="flex items-center justify-between">
          <h2>As the buyer sees it</h2>
          <label className="flex cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="toggle toggle-sm"
              checked={method.on}
              onChange={(event) => void bench.set(`${path}/on`, event.target.checked)}
            />
            {method.on ? "on" : "off"}
          </label>
        </div>
        <div className={`mt-2 border border-base-300 p-4 ${method.on ? "" : "hatch"}`}>
          <div className="flex items-start gap-3">
            <span aria-hidden="true" className="mt-1.5 h-4 w-4 shrink-0 rounded-full border-4 border-accent" />
            <div className="flex-1 text-base">
              <Field path={`${path}/title`} label="Title" hideLabel className="font-semibold" />
              <Field
                path={`${path}/sentence`}
                label="One sentence"
                hideLabel
                placeholder="One plain sentence, or nothing"
              />
            </div>
          </div>
        </div>
        {method.fee ? (
          <div className="mt-4 grid max-w-sm grid-cols-2 gap-6">
            <Field path={`${path}/fee/percent`} label="The provider takes, in %" />
            <Field path={`${path}/fee/fixed`} label={`and each time, ${bench.setup.shop.currency}`} />
          </div>
        ) : (
          <button type="button" className="mt-3 cursor-pointer underline" onClick={addFee}>
            Say what the provider takes
          </button>
        )}
      </section>
      {method.gateway ? <Keys gateway={method.gateway} /> : null}
    </article>
  );
}

/** The keys of the account. The secret is written and never read back. */
function Keys({ gateway }: { gateway: string }) {
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
  const connect = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const fields = new FormData(form);
    setBusy(true);
    const body = { publicKey: String(fields.get("publicKey")), secret: String(fields.get("secret")) };
    await answer(api.PUT("/api/shops/{shop}/gateways/{gateway}", { params: { path: { shop, gateway } }, body })).then(
      () => {
        setProblems([]);
        form.reset();
        void client.invalidateQueries({ queryKey: key });
        void client.invalidateQueries({ queryKey: ["draft", shop] });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <section aria-label="The account behind it">
      <h2>The account behind it</h2>
      <p className="mt-2">
        <strong>{known?.mode === "test" ? "Test" : known?.mode === "live" ? "Live" : "None yet"}</strong> ·{" "}
        {states[known?.state ?? "not-connected"]}
      </p>
      <form key={known?.publicKey ?? "none"} className="mt-3 grid gap-3" onSubmit={connect}>
        <label>
          <span className="block text-xs quiet">Publishable key</span>
          <input
            name="publicKey"
            className="input input-sm w-full font-mono"
            defaultValue={known?.publicKey ?? ""}
            autoComplete="off"
            spellCheck={false}
          />
        </label>
        <label>
          <span className="block text-xs quiet">Secret key</span>
          <input
            name="secret"
            type="password"
            className="input input-sm w-full font-mono"
            autoComplete="off"
            placeholder={known?.secretEndsWith ? `kept, ends with ${known.secretEndsWith}` : ""}
          />
        </label>
        <Said problems={problems} />
        <div>
          <button type="submit" className="btn btn-sm" disabled={busy}>
            {busy ? "Asking the provider …" : "Check and keep"}
          </button>
        </div>
      </form>
      <p className="mt-3 text-xs quiet">The secret is stored encrypted and never shown again, only how it ends.</p>
    </section>
  );
}
