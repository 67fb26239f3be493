import type { Problem } from "../../api/client";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { setupPath } from "../../shared/paths";
import { say, sayCode } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { Account } from "./Account";
import { kindOf, type MethodSetup } from "./kinds";
import { MethodFields } from "./MethodFields";
import { routeOf } from "./route";

/** Who holds the money of a way to pay, and what was agreed with them. */
export function Behind({ method, brought }: { method: MethodSetup; brought: Problem[] }) {
  const acts = useActs();
  const kind = kindOf(method.kind);
  const path = setupPath("payment", "methods", method.id);
  return (
    <section aria-label={say("behindIt", { title: method.title })} className="grid content-start gap-4">
      <h2 className="text-base">
        {method.title}, {sayCode("holder", routeOf(method).holder)}
      </h2>
      {kind?.provider && method.gateway && (
        <Account key={method.gateway} gateway={method.gateway} provider={kind.provider} brought={brought} />
      )}
      {method.kind === "transfer" && <Transfers />}
      <MethodFields method={method} />
      <p>
        <TextButton onClick={() => void acts.commit([{ path, was: method }])}>{say("removeThisWayPay")}</TextButton>
      </p>
    </section>
  );
}

/** What names a bank where accounts have no IBAN, by the shop's country. */
const branches: Record<string, string> = {
  US: "routing-number",
  CA: "transit-and-institution",
  AU: "bsb",
  IN: "ifsc",
  ZA: "branch-code",
};

/** The account transfers go to. */
function Transfers() {
  const { setup } = useBench();
  const { shop } = setup;
  const { account } = setup.payment;
  return (
    <div className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
      <Field path={setupPath("payment", "account", "iban")} label={say("iban")} className="font-mono" />
      <Field path={setupPath("payment", "account", "holder")} label={say("accountHolderAsBankKnows")} />
      {!account?.iban && (
        <>
          <Field
            path={setupPath("payment", "account", "branch")}
            label={sayCode("bank", branches[shop.address.country] ?? "bank-code")}
            className="font-mono"
          />
          <Field
            path={setupPath("payment", "account", "number")}
            label={say("accountNumber")}
            note={say("accountWithoutIban")}
            className="font-mono"
          />
        </>
      )}
      <Field
        path={setupPath("payment", "account", "payee")}
        label={say("payeeAsBuyersAreTold")}
        note={account?.payee && account.payee !== account.holder ? say("banksCompareTwoWarnBuyer") : ""}
      />
    </div>
  );
}
