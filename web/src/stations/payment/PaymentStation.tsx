import { useState } from "react";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { StationHead } from "../../shared/StationHead";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { Keeps } from "./Keeps";
import { kinds } from "./kinds";
import { Method } from "./Method";
import { Vouchers } from "./Vouchers";

/** The ways to pay in the buyer's order and as the buyer sees them, what is behind each, and what each leaves. */
export function PaymentStation() {
  const bench = useBench();
  const acts = useActs();
  const { methods, account } = bench.setup.payment;
  const [open, setOpen] = useState("");
  const missing = kinds.filter((kind) => methods.every((method) => method.kind !== kind.id));
  const add = async (kind: (typeof kinds)[number]) => {
    const { id, title, sentence, gateway } = kind;
    const now = { id, kind: id, on: false, title, sentence, ...(gateway ? { gateway } : {}) };
    if (await acts.set(`payment/methods/${id}`, now)) setOpen(id);
  };
  const transfers = methods.some((method) => method.kind === "transfer");
  return (
    <>
      <StationHead title={say("payment")}>{say("nothingOnUntilTurnedOn")}</StationHead>
      {methods.length === 0 && <p className="max-w-xl py-3 quiet">{say("noWayPaySetUp")}</p>}
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <section aria-label={say("asBuyerSeesThem")}>
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
              <span className="quiet">{say("add3")}</span>
              {missing.map((kind) => (
                <TextButton key={kind.id} onClick={() => void add(kind)}>
                  {kind.title}
                </TextButton>
              ))}
            </p>
          )}
        </section>
        <div className="grid content-start gap-6">
          <Keeps />
          {transfers && (
            <section aria-label={say("whereTransfersGo")}>
              <h2 className="text-base">{say("whereTransfersGo")}</h2>
              <div className="mt-1 grid gap-2">
                <Field path="payment/account/iban" label={say("iban")} className="font-mono" />
                <Field path="payment/account/holder" label={say("accountHolderAsBankKnows")} />
                <Field
                  path="payment/account/payee"
                  label={say("payeeAsBuyersAreTold")}
                  note={account?.payee && account.payee !== account.holder ? say("banksCompareTwoWarnBuyer") : ""}
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
