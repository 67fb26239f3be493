import createClient from "openapi-fetch";
import { sayWhatIsHeld, wholeDraft } from "./draftPatch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type Setup = Schemas["Setup"];
export type DraftView = Schemas["DraftView"];
/** @see the server's Edit: `to` moves a thing within its list */
export type Edit = { path: string; was?: unknown; now?: unknown; to?: number };
export type Amount = Schemas["FiguresAmount"];
type Node = Schemas["FiguresNode"];
/** A figure with its operands at hand. */
export type Figure = Omit<Node, "of"> & { of: Figure[] };
export type QuoteView = Schemas["QuoteView"];
export type Ticket = Schemas["Ticket"];
export type TicketRequest = Schemas["TicketRequest"];
export type FirstAnswers = Schemas["FirstAnswers"];
export type SheetPreview = Schemas["SheetFilePreview"];
export type CountryCoverage = Schemas["CountryCoverage"];
export type Finding = Schemas["Finding"];
export type MailServerView = Schemas["MailServerView"];
export type MessageLink = Schemas["MessageLink"];
export type PriceChange = Schemas["PriceChange"];
export type Sales = Schemas["SalesView"];
export type WordLook = Schemas["WordLook"];
export type Problem = Schemas["Problem"];
export type Line = Schemas["Line"];
export type Destination = Schemas["Destination"];
export type Session = Schemas["Session"];
export type Gateway = Schemas["GatewaysGatewayView"];
export type HomePreview = Schemas["HomeChangePreview"];
export type Practice = Schemas["PracticeServicesState"];
export type CarrierLink = Schemas["CarrierLink"];
export type PaperRow = Schemas["PaperRow"];
export type StatementLine = Schemas["StatementsLine"];
export type TrialSteps = Schemas["TrialSteps"];
export type Rates = Schemas["Rates"];
export type OrderRow = Schemas["OrderRow"];
export type OrderPage = Schemas["Page"];
export type Board = Schemas["Board"];
export type Repriced = Schemas["Repriced"];
export type WholeOrder = Schemas["Whole"];
export type Paid = Schemas["Paid"];
export type Counter = Schemas["Counter"];
export type CounterGoods = Counter["goods"];
export type CounterProduct = CounterGoods["products"][number];
export type Product = Schemas["Product"];
export type BuyerQuote = Schemas["BuyerQuote"];
export type PlacedOrder = Schemas["PlacedOrder"];
export type GoodsLook = Schemas["GoodsMovingLook"];
export type StationChange = Schemas["StationChangesStationChange"];
export type Reached = Schemas["ReachView"];
export type Solved = Schemas["SolverView"];
export type Opening = Schemas["Opening"];
export type UnionSheet = Schemas["OneStopShopSheet"];
export type Dress = Schemas["DressView"];
export type PracticeOrder = Schemas["PracticeOrder"];
export type Changes = Schemas["ChangesView"];
export type ChangedGroup = Schemas["ChangesGroup"];
export type ProductFile = Schemas["FileRow"];
export type Subscription = Schemas["SubscriptionViewsSubscriptionPage"];
export type SubscriberRow = Schemas["SubscriptionViewsSubscriberRow"];

/** A refusal: what is wrong, where, and how to mend it. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly problems: Problem[],
    readonly more: Record<string, unknown>,
  ) {
    super(problems[0] ? `${problems[0].sentence} ${problems[0].remedy}` : "The server did not answer.");
  }
}

/** What a request that changes something carries, so that no other site can make it. */
export function csrf(): string {
  return /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? "";
}

export const api = createClient<paths>({ baseUrl: "/" });
api.use({
  onRequest({ request }) {
    // What the server says is said in the language of the page.
    request.headers.set("Accept-Language", document.documentElement.lang || "en");
    if (request.method !== "GET") {
      request.headers.set("X-XSRF-TOKEN", csrf());
      sayWhatIsHeld(request);
    }
    return request;
  },
  onResponse: ({ request, response }) => wholeDraft(request, response),
});

interface Failures {
  unreached: Omit<Problem, "path">;
  other: Omit<Problem, "path">;
}

let failures: Failures = {
  unreached: {
    sentence: "The server cannot be reached.",
    remedy: "Check the connection; what you typed is still here.",
  },
  other: { sentence: "Something went wrong.", remedy: "Try again." },
};

/** What is said where the server says nothing, in the language of the page. */
export const phraseFailures = (phrased: Failures): void => {
  failures = phrased;
};

/** The answer, or a thrown {@link ApiProblem}. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call.catch((reason: unknown) => {
    if (reason instanceof DOMException && reason.name === "AbortError") throw reason;
    throw new ApiProblem(
      0,
      [
        {
          path: "",
          ...failures.unreached,
        },
      ],
      {},
    );
  });
  if (response.ok) return data as T;
  const body = (error ?? {}) as Record<string, unknown>;
  const problems = Array.isArray(body.problems) ? (body.problems as Problem[]) : [];
  throw new ApiProblem(response.status, problems, body);
}

export const problemsOf = (reason: unknown): Problem[] =>
  reason instanceof ApiProblem ? reason.problems : [{ path: "", ...failures.other }];
