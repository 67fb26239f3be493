import { type FormEvent, type ReactNode, useState } from "react";
import { answer, api, type Problem, problemsOf, type Session } from "../api/client";
import { Said } from "../shared/Said";
import { say } from "../shared/say";
import { OtherLanguage } from "./OtherLanguage";

interface Props {
  entered: (session: Session) => void;
}

function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="mx-auto flex min-h-full max-w-sm flex-col justify-center p-6">
      <p className="flex items-center gap-2 font-head text-lg font-bold">
        <img src="/favicon.svg" alt="" className="h-6 w-6" /> {say("vestCoin")}
      </p>
      <h1 className="mt-6 mb-3 text-2xl">{title}</h1>
      {children}
      <p className="mt-6">
        <OtherLanguage />
      </p>
    </main>
  );
}

function Entry({
  label,
  note,
  ...input
}: { label: string; note?: string } & React.InputHTMLAttributes<HTMLInputElement>) {
  return (
    <label className="mb-3 block">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <input required className="input w-full" {...input} />
      {note && <span className="text-xs quiet">{note}</span>}
    </label>
  );
}

function useDoor(entered: Props["entered"], ask: (form: Record<string, string>) => Promise<Session>) {
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const form = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>;
    await ask(form).then(entered, (reason) => setProblems(problemsOf(reason)));
    setBusy(false);
  };
  return { problems, busy, submit };
}

export function SignIn({ entered }: Props) {
  const door = useDoor(entered, (form) =>
    answer(api.POST("/api/session", { body: { email: form.email ?? "", password: form.password ?? "" } })),
  );
  return (
    <Door title={say("come")}>
      <form onSubmit={door.submit}>
        <Entry label={say("email")} name="email" type="email" autoComplete="username" autoFocus />
        <Entry label={say("password")} name="password" type="password" autoComplete="current-password" />
        <Said problems={door.problems} />
        <button type="submit" className="btn btn-primary mt-3 w-full" disabled={door.busy}>
          {say("sign")}
        </button>
      </form>
    </Door>
  );
}

/** An empty installation: who owns it, and the shop's first facts. */
export function FirstOwner({ entered }: Props) {
  const door = useDoor(entered, (form) =>
    answer(
      api.POST("/api/first-owner", {
        body: {
          code: form.code ?? "",
          email: form.email ?? "",
          password: form.password ?? "",
          shopName: form.shopName ?? "",
          country: form.country ?? "",
          currency: form.currency ?? "",
        },
      }),
    ),
  );
  return (
    <Door title={say("newShop")}>
      <form onSubmit={door.submit}>
        <Entry label={say("nameShop")} name="shopName" autoFocus />
        <Entry
          label={say("code")}
          name="code"
          autoComplete="off"
          placeholder={say("xxxxxxxxxxxx")}
          note={say("printedWindowWhereVestCoin")}
        />
        <div className="flex gap-3">
          <Entry label={say("country")} name="country" placeholder={say("ireland")} note={say("itsNameOrItsTwo")} />
          <Entry
            label={say("currency")}
            name="currency"
            placeholder={say("countrys")}
            note={say("itsNameOrThreeLetters")}
            required={false}
          />
        </div>
        <Entry label={say("yourEmail")} name="email" type="email" autoComplete="username" />
        <Entry
          label={say("password")}
          name="password"
          type="password"
          autoComplete="new-password"
          minLength={12}
          note={say("passwordAdvice")}
        />
        <Said problems={door.problems} />
        <button type="submit" className="btn btn-primary mt-3 w-full" disabled={door.busy}>
          {say("begin")}
        </button>
      </form>
    </Door>
  );
}
