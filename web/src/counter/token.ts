import type { Problem } from "../api/client";

/** Sends a card number to the processor, from this page and nowhere else, and gets a token that pays once. */
export async function tokenOf(
  processor: string,
  publicKey: string,
  number: string,
): Promise<{ token?: string; problem?: Problem }> {
  const problem = (sentence: string): { problem: Problem } => ({
    problem: { path: "number", sentence, remedy: "Nothing was charged." },
  });
  try {
    const response = await fetch(`${processor}/v1/tokens`, {
      method: "POST",
      headers: { authorization: `Bearer ${publicKey}`, "content-type": "application/json" },
      body: JSON.stringify({ number }),
    });
    const body = (await response.json()) as { token?: string; error?: string };
    return body.token ? { token: body.token } : problem(body.error ?? "The card processor refused.");
  } catch {
    return problem("The card processor cannot be reached. Try again in a moment.");
  }
}
