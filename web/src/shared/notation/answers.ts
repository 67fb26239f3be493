import type { Setup } from "../../api/client";
import { idFrom } from "../paths";
import { say } from "../say";
import type { Notation } from "./notation";

type Asked = Setup["goods"]["products"][number]["questions"][number] | Setup["terms"]["asking"]["extras"][number];
type Answer = Asked["answers"][number];

/** What can answer a question. */
export const kinds = [
  { id: "text", name: say("aText") },
  { id: "number", name: say("aNumber") },
  { id: "day", name: say("aDay") },
  { id: "one-of", name: say("oneOfSeveral") },
  { id: "tick", name: say("aTick") },
];

/** Names with commas between them; each keeps the code it has. */
export const severalAnswers = (before: Answer[]): Notation => ({
  write: (value) => ((value as Answer[] | undefined) ?? []).map(({ name }) => name).join(", "),
  read: (text) => {
    const made: Answer[] = [];
    for (const name of text
      .split(",")
      .map((each) => each.trim())
      .filter(Boolean)) {
      const known = before.find((each) => each.name === name);
      made.push(
        known ?? {
          id: idFrom(
            name,
            [...before, ...made].map(({ id }) => id),
          ),
          name,
        },
      );
    }
    return made;
  },
});

const ofTexts = ["most", "perCharacter"];

/** What a question is once it is answered in another way: nothing of what only the other way has. */
export const answeredBy = (question: Asked) => ({
  write: () => question.kind,
  read: (kind: string) => ({
    ...Object.fromEntries(Object.entries(question).filter(([part]) => kind === "text" || !ofTexts.includes(part))),
    kind,
    answers: kind === "one-of" ? [{ id: "yes", name: say("yes") }] : [],
  }),
});
