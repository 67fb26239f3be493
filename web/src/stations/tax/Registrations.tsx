import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { idFrom } from "../../shared/paths";

const schemes = [
  { id: "ordinary", name: "ordinary" },
  { id: "one-stop-shop", name: "Union one-stop shop" },
  { id: "import-scheme", name: "Union import scheme" },
];

const stands = [
  { id: "what-the-buyer-pays", name: "what the buyer pays" },
  { id: "what-the-seller-earns", name: "what the seller earns" },
];
const sourcings = [
  { id: "destination", name: "of where it goes" },
  { id: "origin", name: "of where it comes from" },
];

/** "135.00 GBP", or nothing. */
const most = {
  write: (value: unknown) => {
    const amount = value as { amount: string; currency: string } | undefined;
    return amount ? `${amount.amount} ${amount.currency}` : "";
  },
  read: (text: string) => {
    const [amount, currency] = text.trim().split(/\s+/);
    return amount ? { amount, currency: (currency ?? "").toUpperCase() } : undefined;
  },
};

/** With whom the seller is registered, and what stands still for buyers elsewhere. */
export function Registrations() {
  const bench = useBench();
  const { tax, shop } = bench.setup;
  const add = () => {
    const id = idFrom(
      "registration",
      tax.registrations.map((each) => each.id),
    );
    void bench.set(`tax/registrations/${id}`, { id, authority: shop.address.country, number: "", scheme: "ordinary" });
  };
  return (
    <section aria-label="Registrations" className="mt-6">
      <div className="flex items-baseline gap-4">
        <h2 className="text-base">Registered with</h2>
        <button type="button" className="cursor-pointer underline" onClick={add}>
          Add a registration
        </button>
      </div>
      {tax.registrations.length === 0 ? (
        <p className="mt-1 max-w-2xl quiet">
          None yet: the tax book is followed as it stands. With one entered, tax is charged only where a registration
          covers it.
        </p>
      ) : (
        <ul className="mt-2 grid gap-y-3">
          {tax.registrations.map((each) => {
            const at = `tax/registrations/${each.id}`;
            return (
              <li
                key={each.id}
                className="grid grid-cols-2 items-end gap-y-1 md:grid-cols-[5rem_1fr_1fr_7rem_8rem_auto] gap-x-4"
              >
                <Field path={`${at}/authority`} label="Authority" read={(text) => text.toUpperCase()} />
                <Field path={`${at}/scheme`} label="Scheme" choices={schemes} />
                <Field path={`${at}/number`} label="Number, on every paper" placeholder="as on the letter" />
                <Field path={`${at}/from`} label="From day" placeholder="always" optional />
                <Field
                  path={`${at}/most`}
                  label="Goods worth up to"
                  placeholder="any, or 135 GBP"
                  write={most.write}
                  read={most.read}
                />
                <button
                  type="button"
                  className="btn btn-ghost btn-xs"
                  onClick={() => void bench.set(at, undefined)}
                  aria-label={`Remove the registration with ${each.authority}`}
                >
                  Remove
                </button>
              </li>
            );
          })}
        </ul>
      )}
      <div className="mt-4 grid max-w-3xl grid-cols-3 gap-x-6 gap-y-3">
        <Field
          path="tax/standing"
          label="For buyers elsewhere stands still"
          choices={stands}
          note="Where their rate is another than at home."
        />
        <Field path="tax/sourcing" label="Within a country the rates" choices={sourcings} />
        <Field
          path="tax/smallBusiness"
          label="Exempt as a small business"
          placeholder="no; or the sentence the law asks for"
          optional
        />
      </div>
    </section>
  );
}
