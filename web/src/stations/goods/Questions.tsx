import type { Setup } from "../../api/client";
import { useActs } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { answeredBy, kinds, severalAnswers } from "../../shared/notation/answers";
import { whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { idFrom, type SetupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";

type Product = Setup["goods"]["products"][number];

/** What a buyer is asked about a product besides the choices, each a line. */
export function Questions({ product, at }: { product: Product; at: SetupPath<Product> }) {
  const acts = useActs();
  const add = (name: string) => {
    const id = idFrom(
      name,
      product.questions.map((each) => each.id),
    );
    void acts.set(under(at)("questions", id), { id, name, kind: "text", compulsory: false, answers: [] });
  };
  return (
    <section aria-label={say("asksBesides")} className="mt-4">
      <div className="flex items-baseline gap-4 text-xs">
        <h3 className="text-sm">{say("asksBesides")}</h3>
        <AddNamed what={say("aQuestion")} add={add} />
      </div>
      {product.questions.map((question) => {
        const path = under(at)("questions", question.id);
        return (
          <div
            key={question.id}
            className="mt-2 grid grid-cols-2 items-end gap-x-4 gap-y-1 md:grid-cols-[1.8fr_1.6fr_1.2fr_0.8fr_0.8fr_0.8fr_0.9fr_auto]"
          >
            <Field path={under(path)("name")} label={say("questionField")} />
            <Field path={path} label={say("answeredBy")} choices={kinds} {...answeredBy(question)} />
            {question.kind === "one-of" ? (
              <Field
                path={under(path)("answers")}
                label={say("severalAre")}
                placeholder={say("severalExample")}
                {...severalAnswers(question.answers)}
              />
            ) : question.kind === "text" ? (
              <Field path={under(path)("most")} label={say("mostCharacters")} placeholder="200" {...whole} />
            ) : (
              <span className="max-md:hidden" />
            )}
            <Field path={under(path)("extra")} label={say("answerAdds")} placeholder={say("nothing")} optional />
            <Field
              path={under(path)("percent")}
              label={say("answerAddsPercent")}
              placeholder={say("nothing")}
              optional
            />
            {question.kind === "text" ? (
              <Field
                path={under(path)("perCharacter")}
                label={say("answerAddsEach")}
                placeholder={say("nothing")}
                optional
              />
            ) : (
              <span className="max-md:hidden" />
            )}
            <Field path={under(path)("compulsory")} label={say("hasToBeAnswered")} choices={yesNoChoices} {...yesNo} />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={say("removeWhat", { what: question.name })}
              onClick={() => void acts.set(path, undefined)}
            >
              {say("removeIt")}
            </button>
          </div>
        );
      })}
    </section>
  );
}
