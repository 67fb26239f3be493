import { useQuery } from "@tanstack/react-query";
import { createContext, type ReactNode, useContext, useEffect, useMemo } from "react";
import english from "../../../catalogue/en/counter.json";
import { phraseFailures } from "../api/client";
import { type Catalogue, Phrases, subtag } from "../shared/phrases";

type Code = keyof typeof english;
/** What the counter can say, as its catalogue names it. */
export type Phrase = Code extends `counter.${infer Name}` ? Name : never;
type Values = Record<string, string | number>;

/** Phrases in the language the counter is shown in, by ICU MessageFormat. */
export interface Say {
  (phrase: Phrase, values?: Values): string;
  /** A phrase with parts of it marked up. */
  marked: (phrase: Phrase, marks: Record<string, (parts: ReactNode[]) => ReactNode>) => ReactNode;
  /** A phrase of a family, by a code from outside; nothing where the family has none. */
  known: (family: string, code: string | undefined) => string | undefined;
  /** Names as the language lists them. */
  list: (names: readonly string[]) => string;
  /** A tax as it is called in the language, with its percent. */
  levy: (name: string, percent: string) => string;
}

const catalogues = import.meta.glob<Catalogue>(
  ["../../../catalogue/*/counter.json", "!../../../catalogue/en/counter.json"],
  {
    import: "default",
  },
);

async function load(language: string): Promise<Catalogue> {
  const found = catalogues[`../../../catalogue/${subtag(language)}/counter.json`];
  return found ? await found() : english;
}

/** @param own the shop's own wording, by code */
export function sayIn(language: string, catalogue: Catalogue, own: Catalogue = {}): Say {
  const phrases = new Phrases(language, [own, catalogue, english]);
  const say = ((phrase, values) => phrases.say(`counter.${phrase}`, values)) as Say;
  say.marked = (phrase, marks) => {
    const parts = phrases.of(`counter.${phrase}`).format<ReactNode>(marks);
    return phrases.bracketed ? ["[", parts, "]"].flat() : parts;
  };
  say.known = (family, code) => {
    const phrase = `${family}.${(code ?? "").replaceAll(" ", "-")}`;
    return code && phrases.has(`counter.${phrase}`) ? say(phrase as Phrase) : undefined;
  };
  say.list = (names) => new Intl.ListFormat(phrases.locale, { type: "conjunction" }).format(names);
  say.levy = (name, percent) => say("levyRow", { name: say.known("levies", name) ?? name, percent });
  return say;
}

const rightToLeft = ["ar", "fa", "he", "ur", "yi", "ps", "dv", "ckb"];

/** Which way a language is written. */
export const directionOf = (language: string): "ltr" | "rtl" =>
  rightToLeft.includes(subtag(language)) ? "rtl" : "ltr";

export const inEnglish = sayIn("en", english);

const Context = createContext<Say>(inEnglish);
export const SayProvider = Context.Provider;

/** The phrases of a language; English ones until they are there. */
export function useCatalogue(language: string, own?: Catalogue): Say | undefined {
  const { data } = useQuery({
    queryKey: ["catalogue", subtag(language)],
    queryFn: () => load(language),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const say = useMemo(() => (data ? sayIn(language, data, own) : undefined), [data, language, own]);
  useEffect(() => {
    if (say) {
      phraseFailures({
        unreached: { sentence: say("unreached"), remedy: say("unreachedRemedy") },
        other: { sentence: say("wentWrong"), remedy: say("tryAgain") },
      });
    }
  }, [say]);
  return say;
}

/** The phrases of the language the counter is shown in. */
export const useSay = (): Say => useContext(Context);
