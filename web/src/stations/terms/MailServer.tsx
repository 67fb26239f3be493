import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type MailServerView, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

const protections = [
  { id: "starttls", name: say("mailStarttls") },
  { id: "tls", name: say("mailTls") },
  { id: "none", name: say("mailNone") },
] as const;

type Protection = (typeof protections)[number]["id"];

/** The seller's own mail server: written, tried, taken away. Its password is written only. */
export function MailServer() {
  const { shop } = useBench();
  const client = useQueryClient();
  const key = ["mail-server", shop];
  const path = { params: { path: { shop } } };
  const known = useQuery({ queryKey: key, queryFn: () => answer(api.GET("/api/shops/{shop}/mail-server", path)) });
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const [left, setLeft] = useState(false);
  const run = async (call: Promise<MailServerView>, tried = false) => {
    setBusy(true);
    setLeft(false);
    await call.then(
      (fresh) => {
        client.setQueryData(key, fresh);
        setProblems([]);
        setLeft(tried);
      },
      (reason: unknown) => {
        setProblems(problemsOf(reason));
        void client.invalidateQueries({ queryKey: key });
      },
    );
    void client.invalidateQueries({ queryKey: ["draft", shop] });
    setBusy(false);
  };
  const keep = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const said = (name: string) => String(form.get(name) ?? "").trim();
    const body = {
      host: said("host"),
      port: Number(said("port")) || 0,
      security: said("security") as Protection,
      user: said("user"),
      secret: String(form.get("secret") ?? ""),
    };
    void run(answer(api.PUT("/api/shops/{shop}/mail-server", { ...path, body })));
  };
  if (!known.data) return null;
  const { server } = known.data;
  return (
    <section aria-label={say("howLettersLeave")} className="mb-6">
      <h3>{say("howLettersLeave")}</h3>
      <p className="mb-2 max-w-2xl text-xs quiet">
        {!server && say("lettersByPostRoom")} {say("practiceLettersStay")}
      </p>
      <form
        key={server?.since ?? "none"}
        className="flex max-w-3xl flex-wrap items-end gap-x-6 gap-y-2"
        onSubmit={keep}
      >
        <label>
          <span className="block text-xs quiet">{say("mailServer")}</span>
          <input name="host" className="inplace w-56 font-mono" defaultValue={server?.host} maxLength={253} required />
        </label>
        <label>
          <span className="block text-xs quiet">{say("mailPort")}</span>
          <input
            name="port"
            className="inplace w-20 font-mono"
            inputMode="numeric"
            defaultValue={server?.port ?? 587}
            required
          />
        </label>
        <label>
          <span className="block text-xs quiet">{say("mailSecurity")}</span>
          <select name="security" className="inplace" defaultValue={server?.security ?? "starttls"}>
            {protections.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="block text-xs quiet">{say("mailUser")}</span>
          <input name="user" className="inplace w-56" defaultValue={server?.user} maxLength={254} autoComplete="off" />
        </label>
        <label>
          <span className="block text-xs quiet">{say("mailPassword")}</span>
          <input
            name="secret"
            type="password"
            className="inplace w-48 font-mono"
            maxLength={500}
            autoComplete="new-password"
            placeholder={server?.secretEndsWith ? say("mailPasswordKept", { end: server.secretEndsWith }) : ""}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={busy}>
          {say("keepServer")}
        </button>
        {server && (
          <>
            <button
              type="button"
              className="btn btn-sm"
              disabled={busy}
              onClick={() => void run(answer(api.POST("/api/shops/{shop}/mail-server/try", path)), true)}
            >
              {say("tryServer")}
            </button>
            <TextButton
              disabled={busy}
              onClick={() => void run(answer(api.DELETE("/api/shops/{shop}/mail-server", path)))}
            >
              {say("dropServer")}
            </TextButton>
          </>
        )}
      </form>
      {left && (
        <p role="status" className="mt-1">
          {say("trialLeft")}
        </p>
      )}
      <Said problems={problems} />
      {problems.length === 0 && server?.trouble && <p className="mt-1 text-warning">{server.trouble}</p>}
    </section>
  );
}
