import { useState } from "react";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { StationHead } from "../../shared/StationHead";
import { Keeps } from "./Keeps";
import { kinds } from "./kinds";
import { Method } from "./Method";
import { Vouchers } from "./Vouchers";

/** The ways to pay in the buyer's order and as the buyer sees them, what is behind each, and what each leaves. */
export function PaymentStation() {
  const bench = useBench();
  const { methods, account } = bench.setup.payment;
  const [open, setOpen] = useState("");
  const missing = kinds.filter((kind) => methods.every((method) => method.kind !== kind.id));
  const add = async (kind: (typeof kinds)[number]) => {
    const { id, title, sentence, gateway } = kind;
    const now = { id, kind: id, on: false, title, sentence, ...(gateway ? { gateway } : {}) };
    if (await bench.set(`payment/methods/${id}`, now)) setOpen(id);
  };
  const transfers = methods.some((method) => method.kind === "transfer");
  return (
    <>
      <StationHead title="Payment">Nothing is on until it is turned on here.</StationHead>
      {methods.length === 0 && (
        <p className="max-w-xl py-3 quiet">
          No way to pay is set up. An account with a card processor can take a day to be approved, so this is worth
          beginning early.
        </p>
      )}
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <section aria-label="As the buyer sees them">
          <ol>
            {methods.map((method) => (
              <Method
                key={method.id}
                id={method.id}
                open={open === method.id}
                toggle={() => setOpen(open === method.id ? "" : method.id)}
                unfold={() => setOpen(method.id)}
              />
            ))}
          </ol>
          {missing.length > 0 && (
            <p className="mt-3 flex flex-wrap gap-x-4 gap-y-1">
              <span className="quiet">Add:</span>
              {missing.map((kind) => (
                <button key={kind.id} type="button" className="cursor-pointer underline" onClick={() => void add(kind)}>
                  {kind.title}
                </button>
              ))}
            </p>
          )}
        </section>
        <div className="grid content-start gap-6">
          <Keeps />
          {transfers && (
            <section aria-label="Where transfers go">
              <h2 className="text-base">Where transfers go</h2>
              <div className="mt-1 grid gap-2">
                <Field path="payment/account/iban" label="IBAN" className="font-mono" />
                <Field path="payment/account/holder" label="Account holder, as the bank knows it" />
                <Field
                  path="payment/account/payee"
                  label="Payee, as buyers are told to write it"
                  note={
                    account?.payee && account.payee !== account.holder
                      ? "Banks compare the two and warn the buyer when they differ."
                      : ""
                  }
                />
              </div>
            </section>
          )}
          <Vouchers />
        </div>
      </div>
    </>
  );
}
