import { useState } from "react";
import { answer, api, type Problem, problemsOf } from "../api/client";
import { useBench } from "../desk/bench";
import { Said } from "../shared/Said";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { pastedNumbers } from "./pasted";

interface Props {
  chosen: readonly number[];
  /** After some were sent: those that were not stay chosen. */
  done: (left: number[]) => void;
}

/** What is done with the orders chosen in the list: slips printed, sent all at once, with the carrier's numbers. */
export function Several({ chosen, done }: Props) {
  const { shop } = useBench();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const [key, setKey] = useState(() => crypto.randomUUID());
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [left, setLeft] = useState<{ number: number; trouble?: string | null }[]>([]);
  const pasted = pastedNumbers(text, chosen);
  const send = async () => {
    setBusy(true);
    const orders = chosen.map((number) => ({
      number,
      tracking: pasted.numbers.find((each) => each.order === number)?.tracking ?? "",
    }));
    await answer(
      api.POST("/api/shops/{shop}/orders/dispatch", { params: { path: { shop } }, body: { key, orders } }),
    ).then(
      (outcomes) => {
        const refused = outcomes.filter((each) => each.trouble);
        setProblems([]);
        setLeft(refused);
        setKey(crypto.randomUUID());
        if (refused.length === 0) {
          setText("");
          setOpen(false);
        }
        done(refused.map((each) => each.number));
      },
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  if (chosen.length === 0 && left.length === 0) return null;
  const slips = new URLSearchParams(chosen.map((number) => ["order", String(number)]));
  return (
    <section aria-label={say("severalAtOnce")} className="mb-3 border-s-2 border-accent py-1 ps-4">
      <p className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <strong>{say("ordersChosen", { count: chosen.length })}</strong>
        {chosen.length > 0 && (
          <>
            <a className="underline" href={`/api/shops/${shop}/slips.pdf?${slips}`} target="_blank" rel="noreferrer">
              {say("printSlips")}
            </a>
            <TextButton aria-expanded={open} onClick={() => setOpen(!open)}>
              {say("markAsSent")}
            </TextButton>
            <TextButton onClick={() => done([])}>{say("chooseNone")}</TextButton>
          </>
        )}
      </p>
      {open && chosen.length > 0 && (
        <div className="mt-2 max-w-xl">
          <label>
            <span className="block text-xs quiet">{say("pasteCarriersNumbers")}</span>
            <textarea
              className="textarea textarea-sm my-1 w-full font-mono"
              rows={4}
              maxLength={20_000}
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          </label>
          <p className="text-xs quiet" role="status">
            {text.trim() && say("numbersUnderstood", { count: pasted.numbers.length, chosen: chosen.length })}{" "}
            {pasted.left.length > 0 && (
              <span className="text-warning">{say("linesNotUnderstood", { lines: pasted.left.join(" · ") })}</span>
            )}
          </p>
          <button type="button" className="btn btn-primary btn-sm mt-2" disabled={busy} onClick={() => void send()}>
            {say("sendChosen", { count: chosen.length })}
          </button>
          <span className="ms-3 text-xs quiet">{say("takesWhatAuthorisedForLast")}</span>
        </div>
      )}
      <Said problems={problems} />
      {left.length > 0 && (
        <ul className="mt-1 text-error" role="alert">
          {left.map((each) => (
            <li key={each.number}>
              <span className="font-mono">{each.number}</span>: {each.trouble}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
