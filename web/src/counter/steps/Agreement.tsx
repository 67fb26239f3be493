import { useState } from "react";
import type { Counter } from "../../api/client";
import { TextButton } from "../../shared/TextButton";
import { useSay } from "../phrases";

interface Props {
  counter: Counter;
  agreed: boolean;
  agree: (yes: boolean) => void;
}

/** What the shop says, read in place, and the one box that agrees to it. */
export function Agreement({ counter, agreed, agree }: Props) {
  const say = useSay();
  const [reading, setReading] = useState<string>();
  const texts = counter.texts.filter((text) => text.agreed);
  if (texts.length === 0) return null;
  const nameOf = (kind: string) => say.known("texts", kind) ?? kind.replaceAll("-", " ");
  const shown = texts.find((text) => text.kind === reading);
  return (
    <section className="mt-4" aria-label={say.known("texts", "terms-of-sale")}>
      <div className="flex items-start gap-3">
        <input
          id="agree"
          type="checkbox"
          className="checkbox checkbox-sm mt-0.5"
          checked={agreed}
          onChange={(event) => agree(event.target.checked)}
        />
        <span>
          <label htmlFor="agree">{say("agree")}</label>{" "}
          {texts.map((text, index) => (
            <span key={text.kind}>
              {index > 0 && ", "}
              <TextButton
                aria-expanded={reading === text.kind}
                onClick={() => setReading(reading === text.kind ? undefined : text.kind)}
              >
                {nameOf(text.kind)}
              </TextButton>
            </span>
          ))}
          .
        </span>
      </div>
      {shown && (
        <div
          className="mt-2 max-h-64 overflow-auto border-s-2 border-base-300 ps-3 text-sm whitespace-pre-line"
          dir="auto"
        >
          {shown.text}
        </div>
      )}
    </section>
  );
}
