import { type FormEvent, useState } from "react";
import type { Product } from "../../api/client";
import { useActs } from "../../desk/bench";
import { NotationField } from "../../shared/NotationField";
import { appointment, readAppointment } from "../../shared/notation/appointment";
import { dayOf } from "../../shared/notation/days";
import { idFrom, type SetupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";

/** The days on which a service takes place: each is a choice the buyer makes, and is not sold once it has begun. */
export function Days({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const acts = useActs();
  const [typed, setTyped] = useState("");
  const dated = product.options.find((option) => option.choices.some((choice) => choice.when));
  const when = readAppointment(typed);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    if (!when) return;
    const name = dayOf(when.starts.slice(0, 10));
    const choice = (taken: string[]) => ({ id: idFrom(when.starts.slice(0, 10), taken), name, when });
    const added = dated
      ? acts.set(under(at)("options", dated.id, "choices", choice(dated.choices.map(({ id }) => id)).id), {
          ...choice(dated.choices.map(({ id }) => id)),
        })
      : acts.set(
          under(at)(
            "options",
            idFrom(
              say("dayOption"),
              product.options.map(({ id }) => id),
            ),
          ),
          {
            id: idFrom(
              say("dayOption"),
              product.options.map(({ id }) => id),
            ),
            name: say("dayOption"),
            choices: [choice([])],
          },
        );
    if (await added) setTyped("");
  };
  return (
    <section aria-label={say("takesPlaceOn")} className="mt-3">
      <h4 className="text-sm">{say("takesPlaceOn")}</h4>
      {!dated && <p className="quiet">{say("onNoDay")}</p>}
      {dated?.choices.map((choice) => (
        <div key={choice.id} className="flex max-w-xl items-end gap-4">
          <span className="w-40 pb-1">{choice.name}</span>
          <NotationField
            path={under(at)("options", dated.id, "choices", choice.id, "when")}
            label={say("whenTakesPlace", { name: choice.name })}
            placeholder={say("onNoDay")}
            notation={appointment}
          />
        </div>
      ))}
      <form className="mt-1 flex flex-wrap items-end gap-3" onSubmit={(event) => void add(event)}>
        <label>
          <span className="block text-xs quiet">{say("takesPlaceDay")}</span>
          <input
            className="inplace w-64"
            maxLength={80}
            value={typed}
            placeholder={appointment.write(appointment.example)}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-ghost btn-xs" disabled={!when}>
          {say("addDay")}
        </button>
      </form>
    </section>
  );
}
