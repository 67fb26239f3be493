import type { Problem } from "../api/client";
import type { Say } from "./phrases";

/** What the processor says, by the phrase that says it. */
const cardErrors: Record<string, string> = {
  "This is not a card number. Check the digits.": "not-a-card",
  "This simulation knows only its test cards.": "not-a-test-card",
  "No account has this publishable key.": "no-such-key",
};

/** Sends a card number to the processor, from this page and nowhere else, and gets a token that pays once. */
export async function tokenOf(
  processor: string,
  publicKey: string,
  number: string,
  say: Say,
): Promise<{ token?: string; problem?: Problem }> {
  const problem = (sentence: string): { problem: Problem } => ({
    problem: { path: "number", sentence, remedy: say("nothingWasCharged") },
  });
  try {
    const response = await fetch(`${processor}/v1/tokens`, {
      method: "POST",
      headers: { authorization: `Bearer ${publicKey}`, "content-type": "application/json" },
      body: JSON.stringify({ number }),
    });
    const body = (await response.json()) as { token?: string; error?: string };
    return body.token
      ? { token: body.token }
      : problem(say.known("cardErrors", cardErrors[body.error ?? ""]) ?? body.error ?? say("cardRefused"));
  } catch {
    return problem(say("cardSilent"));
  }
}
