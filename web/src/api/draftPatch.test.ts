import { expect, it } from "vitest";
import { sayWhatIsHeld, wholeDraft } from "./draftPatch";

const asked = (path = "draft/edits"): Request => {
  const request = new Request(`http://shop.example/api/shops/kites/${path}`, { method: "POST" });
  sayWhatIsHeld(request);
  return request;
};

const answered = (body: unknown, mark: string, type = "application/json"): Response =>
  new Response(JSON.stringify(body), { headers: { "Draft-Mark": mark, "Content-Type": type } });

const patched = (body: unknown, mark: string): Response => answered(body, mark, "application/json-patch+json");

it("sets what moved into the draft that was at hand when it was asked for", async () => {
  await wholeDraft(asked("draft"), answered({ version: 1, document: { a: 1, b: 1 } }, "1-x"));
  const first = asked();
  const second = asked();
  expect(first.headers.get("Draft-Held")).toBe("1-x");
  const one = await wholeDraft(first, patched([{ op: "replace", path: "/document/a", value: 2 }], "2-x"));
  expect(await one.json()).toEqual({ version: 1, document: { a: 2, b: 1 } });
  // Asked for before the first was answered: what it says moved, moved from the draft of then.
  const two = await wholeDraft(second, patched([{ op: "replace", path: "/document/b", value: 3 }], "3-x"));
  expect(await two.json()).toEqual({ version: 1, document: { a: 1, b: 3 } });
  expect(asked().headers.get("Draft-Held")).toBe("3-x");
});

it("says nothing of another shop's draft and leaves other answers as they are", async () => {
  await wholeDraft(asked("draft"), answered({ version: 1, document: {} }, "1-y"));
  const elsewhere = new Request("http://shop.example/api/shops/books/draft/edits", { method: "POST" });
  sayWhatIsHeld(elsewhere);
  expect(elsewhere.headers.has("Draft-Held")).toBe(false);
  const orders = new Response("[]");
  expect(await wholeDraft(new Request("http://shop.example/api/shops/kites/orders"), orders)).toBe(orders);
  const refused = new Response("{}", { status: 409, headers: { "Draft-Mark": "9-y" } });
  expect(await wholeDraft(asked(), refused)).toBe(refused);
  expect(asked().headers.get("Draft-Held")).toBe("1-y");
});
