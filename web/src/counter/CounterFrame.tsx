import type { ReactNode } from "react";
import type { Counter } from "../api/client";
import { ForBuyer } from "./ForBuyer";
import { useSay } from "./phrases";
import { type Step, steps } from "./step";

interface Props {
  counter: Pick<Counter, "name" | "texts"> &
    Partial<Pick<Counter, "buyerGroup">> & { closed?: boolean; shop?: string; ownShop?: boolean };
  /** The order shown, once there is one. */
  number?: number;
  step?: Step;
  go?: (step: Step) => void;
  /** Beside the shop's name: language and currency. */
  aside?: ReactNode;
  summary?: ReactNode;
  /** Without the steps of an order: a page that is none of them. */
  bare?: boolean;
  children: ReactNode;
}

/** The counter around a step: how far one is above, the total below on a phone and beside on a desktop. */
export function CounterFrame({ counter, step, go, aside, summary, bare, number, children }: Props) {
  const say = useSay();
  const at = step ? steps.indexOf(step) : steps.length;
  return (
    <div className="mx-auto flex min-h-full max-w-5xl flex-col">
      {counter.ownShop && counter.shop && <ForBuyer shop={counter.shop} {...(number ? { number } : {})} />}
      {counter.closed && (
        <p role="status" className="bg-base-content px-5 py-1.5 text-sm text-base-100">
          {say("onlyYou")}
        </p>
      )}
      <header className="px-5 pt-5">
        <div className="flex flex-wrap items-baseline justify-between gap-2">
          <p className="font-head text-xl font-bold">{counter.name}</p>
          {counter.buyerGroup && (
            <p className="w-full text-sm">{say("pricesOfGroup", { group: counter.buyerGroup })}</p>
          )}
          {aside}
        </div>
        <nav aria-label={say("stepsName")} hidden={bare}>
          <ol className="mt-3 grid grid-cols-4">
            {steps.map((name, index) => (
              <li
                key={name}
                className={`border-t-2 pt-1 ${index < at ? "border-base-content" : index === at ? "border-accent" : "border-dashed border-base-300"}`}
              >
                {go && index < at ? (
                  <button
                    type="button"
                    className="cursor-pointer py-1 underline decoration-dotted"
                    onClick={() => go(name)}
                  >
                    {say.known("steps", name)}
                  </button>
                ) : (
                  <span
                    className={`inline-block py-1 ${index === at ? "font-semibold" : "quiet"}`}
                    aria-current={index === at ? "step" : undefined}
                  >
                    {say.known("steps", name)}
                  </span>
                )}
              </li>
            ))}
          </ol>
        </nav>
      </header>
      <div className="flex flex-1 flex-col md:flex-row md:items-start md:gap-8 md:px-5 md:pt-4">
        <main className="flex-1 px-5 pt-4 pb-6 md:px-0">
          {children}
          {counter.texts.length > 0 && <Texts texts={counter.texts} />}
        </main>
        {summary && (
          <aside
            aria-label={say("total")}
            className="total-in-sight sticky bottom-0 border-t border-base-300 bg-secondary px-5 py-3 md:top-6 md:bottom-auto md:w-80 md:border"
          >
            {summary}
          </aside>
        )}
      </div>
    </div>
  );
}

/** What the shop says, at the foot of every page: terms, privacy, legal notice. */
function Texts({ texts }: { texts: Counter["texts"] }) {
  const say = useSay();
  return (
    <section className="mt-10 border-t border-base-300 pt-3 text-sm" aria-label={say("shopSays")}>
      {texts.map((text) => (
        <details key={text.kind}>
          <summary className="cursor-pointer py-1">
            {say.known("texts", text.kind) ?? text.kind.replaceAll("-", " ")}
          </summary>
          <p className="pb-2 whitespace-pre-line" dir="auto">
            {text.text}
          </p>
        </details>
      ))}
    </section>
  );
}
