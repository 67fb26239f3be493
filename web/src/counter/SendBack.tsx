import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type PlacedOrder, type Problem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { useSay } from "./phrases";

/** Withdrawing from an order, or asking to send something back: said once, then confirmed, as the law has it for the web. */
export function SendBack({ order, language }: { order: PlacedOrder; language: string }) {
  const say = useSay();
  const client = useQueryClient();
  const key = ["withdrawal", order.token];
  const path = { params: { path: { token: order.token } } };
  const may = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET("/api/counter/orders/{token}/withdrawal", path)),
  });
  const [chosen, setChosen] = useState<number[]>();
  const [note, setNote] = useState("");
  const [problems, setProblems] = useState<Problem[]>([]);
  if (!may.data) return null;
  const { open, until, declared, excluded } = may.data;
  const day = new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" });
  const confirm = () =>
    answer(api.POST("/api/counter/orders/{token}/withdrawal", { ...path, body: { lines: chosen ?? [], note } })).then(
      (fresh) => {
        client.setQueryData(key, fresh);
        setChosen(undefined);
        setProblems([]);
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  const named = open === "withdrawal" ? say("withdraw") : say("sendBack");
  return (
    <section className="mt-6" aria-label={say("sendBack")}>
      {declared.map((each) => (
        <p key={each.id} role="status">
          {say("declared", {
            when: new Intl.DateTimeFormat(language, { dateStyle: "long", timeStyle: "short" }).format(
              new Date(each.at),
            ),
          })}
        </p>
      ))}
      {open && !chosen && (
        <p>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() =>
              setChosen(order.quote.lines.map((_, index) => index).filter((index) => excluded[index] === undefined))
            }
          >
            {named}
          </button>
          {until && (
            <span className="ms-3 text-sm quiet">
              {say("untilDay", { day: day.format(new Date(`${until}T00:00:00Z`)) })}
            </span>
          )}
        </p>
      )}
      {open && chosen && (
        <fieldset className="border border-base-300 px-4 py-3">
          <legend className="px-1 font-semibold">{named}</legend>
          {order.quote.lines.map((line, index) => (
            <label key={`${line.product} ${line.choices.join()}`} className="flex items-center gap-2 py-1">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={chosen.includes(index)}
                disabled={excluded[index] !== undefined}
                onChange={() =>
                  setChosen(chosen.includes(index) ? chosen.filter((each) => each !== index) : [...chosen, index])
                }
              />
              {[line.name, ...line.choices].join(", ")}
              {excluded[index] && (
                <span className="quiet">
                  {say("cannotSendBack")}: {say.known("exclusions", excluded[index]) ?? excluded[index]}
                </span>
              )}
            </label>
          ))}
          <label className="mt-2 block">
            <span className="mb-1 block text-xs quiet">{say("whyNot")}</span>
            <textarea
              className="textarea w-full text-base"
              rows={2}
              maxLength={1000}
              value={note}
              onChange={(event) => setNote(event.target.value)}
            />
          </label>
          <Said problems={problems} />
          <div className="mt-3 flex flex-wrap gap-3">
            <button
              type="button"
              className="btn btn-primary"
              disabled={chosen.length === 0}
              onClick={() => void confirm()}
            >
              {say("confirm", { what: named })}
            </button>
            <button type="button" className="btn" onClick={() => setChosen(undefined)}>
              {say("keep")}
            </button>
          </div>
        </fieldset>
      )}
    </section>
  );
}
