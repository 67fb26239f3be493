import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { answer, api, type MessageLink, type Problem, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { IdsField } from "../../shared/IdsField";
import { setupPath } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

const occasions = [
  { id: "placed", name: say("textPlaced") },
  { id: "paid", name: say("textPaid") },
  { id: "sent", name: say("textSent") },
  { id: "ready", name: say("textReady") },
  { id: "cancelled", name: say("textCancelled") },
];

/** When buyers are told by a short message, and the account it leaves by. Its key is written only. */
export function ShortMessages() {
  const { shop } = useBench();
  const client = useQueryClient();
  const path = { params: { path: { shop } } };
  const key = ["short-messages", shop];
  const link = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/shops/{shop}/short-messages/link", path)),
  });
  const [problems, setProblems] = useState<Problem[]>([]);
  const run = (call: Promise<MessageLink>) =>
    call.then(
      (fresh) => {
        client.setQueryData(key, fresh);
        setProblems([]);
        void client.invalidateQueries({ queryKey: ["draft", shop] });
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const connect = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const secret = String(new FormData(event.currentTarget).get("secret"));
    event.currentTarget.reset();
    void run(answer(api.PUT("/api/shops/{shop}/short-messages/link", { ...path, body: { secret } })));
  };
  return (
    <section aria-label={say("shortMessages")} className="mb-5 max-w-4xl">
      <h3 className="text-sm">{say("shortMessages")}</h3>
      <p className="mb-1 text-xs quiet">{say("shortMessagesWhat")}</p>
      <IdsField
        path={setupPath("terms", "shortMessages")}
        label={say("shortMessagesWhen")}
        things={occasions}
        empty={say("noShortMessages")}
      />
      {link.data?.connected ? (
        <p className="mt-2 flex flex-wrap items-baseline gap-3">
          <span className="quiet">
            {say("keyEndsWith")} <span className="font-mono">{link.data.connected.secretEndsWith}</span>
          </span>
          <TextButton onClick={() => void run(answer(api.DELETE("/api/shops/{shop}/short-messages/link", path)))}>
            {say("disconnect")}
          </TextButton>
        </p>
      ) : (
        <form className="mt-2 flex items-end gap-3" onSubmit={connect}>
          <label>
            <span className="block text-xs quiet">{say("keyOfMessageService")}</span>
            <input
              name="secret"
              type="password"
              className="inplace w-56 font-mono"
              autoComplete="off"
              maxLength={200}
            />
          </label>
          <button type="submit" className="btn btn-sm">
            {say("checkKeep")}
          </button>
        </form>
      )}
      <Said problems={problems} />
    </section>
  );
}
