import { useState } from "react";
import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { Moves } from "../../shared/Moves";
import { setupPath, under } from "../../shared/paths";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import type { MethodSetup } from "./kinds";

const nameOf = (tag: string): string => new Intl.DisplayNames([deskLocale()], { type: "language" }).of(tag) ?? tag;

/** The ways to pay as the counter asks the buyer: worded here, in each of the shop's languages, and put in order. */
export function AsRead({ chosen, choose }: { chosen: MethodSetup; choose: (id: string) => void }) {
  const { setup } = useBench();
  const acts = useActs();
  const { shop, payment, terms } = setup;
  const [language, setLanguage] = useState(shop.language);
  const [dragged, setDragged] = useState<string>();
  const shown = payment.methods.filter((method) => method.on || method.id === chosen.id);
  const own = language === shop.language;
  const path = setupPath("payment", "methods", chosen.id);
  const said = (method: MethodSetup, part: "title" | "sentence") =>
    (own ? undefined : terms.words[language]?.[`payment.methods.${method.id}.${part}`]) ?? method[part];
  const field = (part: "title" | "sentence") =>
    own ? under(path)(part) : setupPath("terms", "words", language, `payment.methods.${chosen.id}.${part}`);
  const drop = (onto: string) => {
    const moved = payment.methods.find((method) => method.id === dragged);
    setDragged(undefined);
    if (!moved || moved.id === onto) return;
    const to = payment.methods.findIndex((method) => method.id === onto);
    void acts.commit([{ path: setupPath("payment", "methods", moved.id), was: moved, now: moved, to }]);
  };
  return (
    <section aria-label={say("asBuyerReads")} className="border border-base-300 bg-base-100 p-3">
      <p className="flex flex-wrap gap-x-3 text-xs quiet">
        {say("asBuyerReads")}
        {[shop.language, ...shop.languages].map((tag) =>
          tag === language ? (
            <strong key={tag}>{nameOf(tag)}</strong>
          ) : (
            <TextButton key={tag} onClick={() => setLanguage(tag)}>
              {nameOf(tag)}
            </TextButton>
          ),
        )}
      </p>
      <ul className="mt-1">
        {shown.map((method) => {
          const here = method.id === chosen.id;
          return (
            <li
              key={method.id}
              draggable={!here}
              onDragStart={() => setDragged(method.id)}
              onDragOver={(event) => event.preventDefault()}
              onDrop={() => drop(method.id)}
              className="flex gap-2 border-t border-base-300 py-1.5"
            >
              <span
                aria-hidden="true"
                className={`mt-1 h-4 w-4 shrink-0 rounded-full ${here ? "border-4 border-accent" : "border border-neutral"}`}
              />
              {here ? (
                <div className="min-w-0 flex-1">
                  <Field
                    path={field("title")}
                    label={say("titleOf", { id: method.id })}
                    hideLabel
                    className="font-semibold"
                    placeholder={method.title}
                    optional={!own}
                  />
                  <Field
                    path={field("sentence")}
                    label={say("oneSentence", { id: method.id })}
                    hideLabel
                    placeholder={own ? say("onePlainSentenceOrNothing") : method.sentence}
                    optional={!own}
                  />
                  <p className="mt-1 flex flex-wrap">
                    <Moves path={path} things={payment.methods} of="" />
                  </p>
                </div>
              ) : (
                <button
                  type="button"
                  className="min-w-0 flex-1 cursor-pointer text-start"
                  onClick={() => choose(method.id)}
                >
                  {said(method, "title")}
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <p className="text-xs quiet">{say("dragIntoOrder")}</p>
    </section>
  );
}
