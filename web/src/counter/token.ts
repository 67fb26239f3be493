import type { Problem } from "../api/client";

/** Sends a card number to the processor, from this page and nowhere else, and gets a token that pays once. */
export async function tokenOf(
  processor: string,
  publicKey: string,
  number: string,
  say: { cardRefused: string; cardSilent: string; nothingWasCharged: string; cardErrors: Record<string, string> },
): Promise<{ token?: string; problem?: Problem }> {
  const problem = (sentence: string): { problem: Problem } => ({
    problem: { path: "number", sentence, remedy: say.nothingWasCharged },
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
      : problem(say.cardErrors[body.error ?? ""] ?? body.error ?? say.cardRefused);
  } catch {
    return problem(say.cardSilent);
  }
}
