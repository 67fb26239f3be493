import { useEffect, useRef, useState } from "react";
import { answer, api, type Counter, type Problem, problemsOf } from "../api/client";
import { type Kept, rekeep } from "./basket";
import { inPlace } from "./otherSite";

type Person = { name: string; email: string; lines: string[]; postcode: string; city: string; country: string };

/** What a wallet told, as far as the shop sends there. */
const toldBy = (person: Person & { region?: string | null }, counter: Counter): Partial<Kept> => ({
  name: person.name,
  email: person.email,
  ...(counter.countries.includes(person.country)
    ? {
        street: person.lines.join(", "),
        postcode: person.postcode,
        city: person.city,
        country: person.country,
        region: person.region ?? "",
        placed: true,
      }
    : {}),
});

interface Wallet {
  /** Goes to a wallet, to come back with name, address and approval. */
  ask: (method: string, amount: string) => Promise<void>;
  problems: Problem[];
}

/** A wallet at the basket. @param told takes in what it answered, once; whether it is all that is needed */
export function useWallet(
  counter: Counter,
  kept: Kept,
  keep: (part: Partial<Kept>) => void,
  told: (answer: Partial<Kept>, sends: boolean) => void,
): Wallet {
  const [problems, setProblems] = useState<Problem[]>([]);
  const { shop } = counter;
  const { sharing } = kept;
  const asked = useRef("");
  useEffect(() => {
    if (!sharing || asked.current === sharing.id) return;
    asked.current = sharing.id;
    const path = { shop, id: sharing.id };
    answer(api.GET("/api/counter/{shop}/wallet/{id}", { params: { path } })).then(
      ({ person }) =>
        person
          ? told(
              { ...toldBy(person, counter), sharing: undefined, wallet: sharing.id, method: sharing.method },
              counter.countries.includes(person.country),
            )
          : keep({ sharing: undefined }),
      (reason: unknown) => {
        keep({ sharing: undefined });
        setProblems(problemsOf(reason));
      },
    );
  }, [sharing, shop, counter, keep, told]);
  return {
    problems,
    ask: (method, amount) =>
      answer(
        api.POST("/api/counter/{shop}/wallet", {
          params: { path: { shop } },
          body: { method, amount, currency: counter.currency, ...(inPlace && kept.site ? { page: kept.site } : {}) },
        }),
      ).then(
        ({ id, action }) => {
          // Kept at once, because the page is left.
          rekeep(shop, { sharing: { id, method } });
          window.open(action, "_top");
        },
        (reason: unknown) => setProblems(problemsOf(reason)),
      ),
  };
}
