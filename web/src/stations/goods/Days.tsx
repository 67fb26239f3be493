import { type FormEvent, useState } from "react";
import type { Product } from "../../api/client";
import { useActs } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { type Appointment, appointment, readAppointment } from "../../shared/notation/appointment";
import { dayOf } from "../../shared/notation/days";
import { idFrom, type SetupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import type { Option } from "./choices";

interface NewChoice {
  id: string;
  name: string;
  when: Appointment;
}

/** The days on which a service takes place: each is a choice the buyer makes, and is not sold once it has begun. */
export function Days({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const acts = useActs();
  const [typed, setTyped] = useState("");
  const dated = product.options.find((option) => option.choices.some((choice) => choice.when));
  const when = readAppointment(typed);
  const addTo = (option: Option, choice: NewChoice) =>
    acts.set(under(at)("options", option.id, "choices", choice.id), choice);
  const begin = (choice: NewChoice) => {
    const id = idFrom(
      say("dayOption"),
      product.options.map((option) => option.id),
    );
    return acts.set(under(at)("options", id), { id, name: say("dayOption"), choices: [choice] });
  };
  const add = async (event: FormEvent) => {
    event.preventDefault();
    if (!when) return;
    const starts = when.starts.slice(0, 10);
    const choice = (taken: string[]) => ({ id: idFrom(starts, taken), name: dayOf(starts), when });
    const added = dated ? addTo(dated, choice(dated.choices.map(({ id }) => id))) : begin(choice([]));
    if (await added) setTyped("");
  };
  return (
    <section aria-label={say("takesPlaceOn")} className="mt-3">
      <h4 className="text-sm font-semibold">{say("takesPlaceOn")}</h4>
      {!dated && <p className="quiet">{say("onNoDay")}</p>}
      {dated?.choices.map((choice) => (
        <div key={choice.id} className="grid max-w-xl grid-cols-[10rem_1fr] items-end gap-4">
          <span className="pb-1">{choice.name}</span>
          <Field
            path={under(at)("options", dated.id, "choices", choice.id, "when")}
            label={say("whenTakesPlace", { name: choice.name })}
            hideLabel
            placeholder={say("onNoDay")}
            write={appointment.write}
            read={appointment.read}
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
