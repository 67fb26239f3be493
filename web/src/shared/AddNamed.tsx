import { type FormEvent, useState } from "react";
import { say } from "./say";
import { TextButton } from "./TextButton";

/** Adds something by its name, from which its code is made. */
export function AddNamed({ what, add }: { what: string; add: (name: string) => void }) {
  const [open, setOpen] = useState(false);
  if (!open) return <TextButton onClick={() => setOpen(true)}>{say("addWhat", { what })}</TextButton>;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const name = String(new FormData(event.currentTarget).get("name")).trim();
    if (name) add(name);
    setOpen(false);
  };
  return (
    <form className="inline-flex items-baseline gap-2" onSubmit={submit}>
      <input
        name="name"
        className="inplace w-44"
        aria-label={say("nameOf", { what })}
        placeholder={say("itsName")}
        maxLength={100}
        autoFocus
        onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
      />
      <button type="submit" className="btn btn-xs">
        {say("addIt")}
      </button>
    </form>
  );
}
