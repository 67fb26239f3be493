import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { whole, yesNo, yesNoChoices } from "../../shared/notations";
import { idFrom } from "../../shared/paths";

/** What the counter asks besides name and address. Nothing of it changes a price. */
export function Asking() {
  const bench = useBench();
  const { asking } = bench.setup.terms;
  const add = () => {
    const id = idFrom(
      "field",
      asking.extras.map((extra) => extra.id),
    );
    void bench
      .set(`terms/asking/extras/${id}`, { id, name: "What should be typed here", compulsory: false })
      .then((made) => made && bench.goTo(`terms/asking/extras/${id}/name`));
  };
  return (
    <div className="max-w-4xl">
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-3">
        <Field path="terms/asking/note" label="A note to the shop" choices={yesNoChoices} {...yesNo} />
        <Field path="terms/asking/gift" label="Orders can be gifts" choices={yesNoChoices} {...yesNo} />
        <Field
          path="terms/asking/withoutCodes"
          label="The field for codes and vouchers is left away"
          choices={yesNoChoices}
          {...yesNo}
        />
        <Field
          path="terms/asking/signIn"
          label="Only buyers signed in by a mailed link can order"
          choices={yesNoChoices}
          note="A good checkout lets people in without; leave it off unless you must know them."
          {...yesNo}
        />
        <Field
          path="terms/asking/leastAge"
          label="Buyers confirm to be at least"
          placeholder="no age asked"
          {...whole}
        />
        <Field
          path="terms/asking/remindAfter"
          label="Hours until a left basket is reminded of"
          placeholder="no reminders"
          note="Once, and only buyers who tick that they want it."
          {...whole}
        />
      </div>
      <h3 className="mt-4 text-sm">Fields of your own</h3>
      {asking.extras.length === 0 && <p className="quiet">None. Every field asked for loses buyers.</p>}
      {asking.extras.map((extra) => (
        <div key={extra.id} className="mt-1 grid max-w-2xl grid-cols-[2fr_1fr_auto] items-end gap-x-4">
          <Field path={`terms/asking/extras/${extra.id}/name`} label="What is asked" />
          <Field
            path={`terms/asking/extras/${extra.id}/compulsory`}
            label="Compulsory"
            choices={yesNoChoices}
            {...yesNo}
          />
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            aria-label={`Remove ${extra.name}`}
            onClick={() => void bench.set(`terms/asking/extras/${extra.id}`, undefined)}
          >
            Remove
          </button>
        </div>
      ))}
      <button type="button" className="mt-2 cursor-pointer text-sm underline" onClick={add}>
        Add a field
      </button>
    </div>
  );
}
