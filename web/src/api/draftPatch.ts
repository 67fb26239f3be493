import { applyPatch, type Operation } from "fast-json-patch";

/** A draft as the server answered it; which one, its mark says. */
interface Held {
  shop: string;
  mark: string;
  view: unknown;
}

/** The draft as it was answered last, so that the next answer need only say what moved. */
let held: Held | undefined;
/** What each request said to have at hand: answers may come in another order than they were asked for. */
const heldThen = new WeakMap<Request, Held>();

const shopOf = (request: Request): string | undefined =>
  /\/api\/shops\/([^/]+)\/draft(\/|$)/.exec(new URL(request.url).pathname)?.[1];

/** Says with a request that changes a draft which one is at hand. */
export function sayWhatIsHeld(request: Request): void {
  if (held && held.shop === shopOf(request)) {
    request.headers.set("Draft-Held", held.mark);
    heldThen.set(request, held);
  }
}

/** A draft's answer, whole: one that says only what moved (RFC 6902) is set into the draft that was at hand then. */
export async function wholeDraft(request: Request, response: Response): Promise<Response> {
  const shop = shopOf(request);
  const mark = response.headers.get("Draft-Mark");
  if (!shop || !mark || !response.ok) return response;
  const body: unknown = await response.clone().json();
  const before = heldThen.get(request);
  if (response.headers.get("Content-Type")?.startsWith("application/json-patch+json") && before) {
    const view: unknown = applyPatch(before.view, body as Operation[], false, false).newDocument;
    held = { shop, mark, view };
    return new Response(JSON.stringify(view), { status: 200, headers: { "Content-Type": "application/json" } });
  }
  held = { shop, mark, view: body };
  return response;
}
