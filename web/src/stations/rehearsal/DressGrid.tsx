import { Fragment, useState } from "react";
import type { Dress, PracticeOrder } from "../../api/client";
import { useBench } from "../../desk/bench";
import { usePlaceNames } from "../../shared/PlacesField";
import { inWords } from "../../shared/places";
import { say } from "../../shared/say";
import { samePlace } from "./figures";

type Step = PracticeOrder["steps"][number];

const MOST_NAMED = 12;

const steps: { name: Step["name"]; head: string }[] = [
  { name: "texts", head: say("stepTexts") },
  { name: "placed", head: say("stepPlaced") },
  { name: "paid", head: say("stepPaid") },
  { name: "handed-over", head: say("stepHandedOver") },
  { name: "taken", head: say("stepTaken") },
  { name: "given-back", head: say("stepGivenBack") },
  { name: "papers", head: say("stepPapers") },
  { name: "letters", head: say("stepLetters") },
];

const marks: Record<Step["outcome"], { mark: string; said: string; tone: string }> = {
  held: { mark: "✓", said: say("stepHeld"), tone: "" },
  failed: { mark: "✗", said: say("stepFailed"), tone: "text-error font-bold" },
  "nothing-to-do": { mark: "–", said: say("stepNothingToDo"), tone: "quiet" },
  "not-reached": { mark: "", said: say("stepNotReached"), tone: "quiet" },
};

const failed = (order: PracticeOrder): boolean => order.steps.some(({ outcome }) => outcome === "failed");

/** Why a cell was not ordered, where it was not and that is no fault. */
const reason = (order: PracticeOrder): string | undefined =>
  order.steps.find(({ name, outcome }) => name === "placed" && outcome === "nothing-to-do")?.sentence ?? undefined;

/** What failed and why, once for all it happened to; then practice orders down, steps across. */
export function DressGrid({ view }: { view: Dress }) {
  const { setup } = useBench();
  const { nameOf } = usePlaceNames();
  const [onlyFailed, setOnlyFailed] = useState(false);
  const wrong = view.orders.filter(failed);
  const placed = view.orders.filter(({ number }) => number != null);
  const shown = onlyFailed ? wrong : view.orders;
  if (view.orders.length === 0) return null;
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-4">
        <strong className={wrong.length > 0 ? "text-error" : ""}>
          {say("dressSum", { orders: placed.length, failed: wrong.length })}
        </strong>
        {wrong.length > 0 && (
          <button
            type="button"
            aria-pressed={onlyFailed}
            className={`cursor-pointer text-xs underline underline-offset-2 ${onlyFailed ? "font-semibold decoration-2" : "quiet"}`}
            onClick={() => setOnlyFailed(!onlyFailed)}
          >
            {say("dressOnlyFailed")}
          </button>
        )}
        {view.shop && (
          <a className="text-xs underline quiet" href={`/desk/${view.shop}/orders`} target="_blank" rel="noreferrer">
            {say("dressOrdersAtDesk")}
          </a>
        )}
      </p>
      <Failures orders={wrong} shop={view.shop ?? undefined} />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keys as well */}
      <section aria-label={say("dressGrid")} tabIndex={0} className="mt-2 max-h-[32rem] overflow-auto">
        <table className="w-full border-collapse text-sm">
          <thead className="sticky top-0 z-5 bg-base-100">
            <tr className="border-b border-base-content align-bottom text-xs">
              <th scope="col" className="py-1 pe-2 text-start">
                {say("dressOrder")}
              </th>
              {steps.map(({ name, head }) => (
                <th key={name} scope="col" className="px-1.5 py-1 text-center font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((order, at) => {
              const before = shown[at - 1];
              const first = before?.basket !== order.basket || !samePlace(before.to, order.to);
              const key = `${order.basket} ${inWords(order.to, nameOf)} ${order.way?.method ?? ""} ${order.way?.act ?? ""}`;
              return (
                <Fragment key={key}>
                  {first && (
                    <tr>
                      <th scope="colgroup" colSpan={steps.length + 1} className="pt-3 pb-0.5 text-start font-semibold">
                        {setup.rehearsal.baskets.find(({ id }) => id === order.basket)?.name ?? order.basket},{" "}
                        {inWords(order.to, nameOf)}
                      </th>
                    </tr>
                  )}
                  <tr className="border-t border-base-300">
                    <th scope="row" className="py-0.5 pe-2 text-start font-normal">
                      <WayOf order={order} /> <OrderLinks order={order} shop={view.shop ?? undefined} />
                    </th>
                    {steps.map(({ name }) => (
                      <Mark
                        key={name}
                        step={order.steps.find((each) => each.name === name)}
                        link={orderAt(order, view.shop ?? undefined)}
                      />
                    ))}
                  </tr>
                  {reason(order) && (
                    <tr>
                      <td colSpan={steps.length + 1} className="pb-1 quiet">
                        {reason(order)}
                      </td>
                    </tr>
                  )}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      </section>
    </>
  );
}

/** How it is paid, and what happens with that. */
function WayOf({ order: { way, steps } }: { order: PracticeOrder }) {
  if (!way)
    return say(steps.some(({ name, outcome }) => name === "placed" && outcome === "held") ? "dressFree" : "dressNoWay");
  return way.act === "approved"
    ? way.title
    : say(way.act === "declined" ? "dressDeclined" : "dressAsked", { way: way.title });
}

const orderAt = (order: PracticeOrder, shop: string | undefined): string | undefined =>
  order.number == null || !shop ? undefined : `/desk/${shop}/orders/${order.number}`;

/** Each thing that failed, with the orders it happened to. */
function Failures({ orders, shop }: { orders: PracticeOrder[]; shop: string | undefined }) {
  const found = new Map<string, { step: Step; orders: PracticeOrder[] }>();
  for (const order of orders)
    for (const step of order.steps.filter(({ outcome }) => outcome === "failed")) {
      const key = `${step.name} ${step.sentence ?? ""}`;
      const same = found.get(key) ?? { step, orders: [] };
      same.orders.push(order);
      found.set(key, same);
    }
  if (found.size === 0) return null;
  return (
    <ul className="mt-2 border-s-4 border-error ps-3">
      {[...found].map(([key, { step, orders: hit }]) => (
        <li key={key} className="py-1">
          <strong>{steps.find(({ name }) => name === step.name)?.head}:</strong> {step.sentence}{" "}
          <span className="quiet">{step.remedy}</span>
          <span className="block text-xs">
            {hit.slice(0, MOST_NAMED).map((order) => (
              <Fragment key={order.number ?? key}>
                <OrderLink order={order} shop={shop} />{" "}
              </Fragment>
            ))}
            {hit.length > MOST_NAMED && (
              <span className="quiet">{say("dressAndMore", { count: hit.length - MOST_NAMED })}</span>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}

function OrderLink({ order, shop }: { order: PracticeOrder; shop: string | undefined }) {
  const link = orderAt(order, shop);
  return link === undefined ? null : (
    <a className="underline" href={link} target="_blank" rel="noreferrer">
      {say("orderNumbered", { number: String(order.number) })}
    </a>
  );
}

function OrderLinks({ order, shop }: { order: PracticeOrder; shop: string | undefined }) {
  if (order.number == null || !shop) return null;
  return (
    <span className="text-xs whitespace-nowrap">
      <OrderLink order={order} shop={shop} />{" "}
      <a className="underline quiet" href={`/counter/${shop}/order/${order.token}`} target="_blank" rel="noreferrer">
        {say("asBuyerSeesIt")}
      </a>
    </span>
  );
}

/** How a step went; one that failed leads to its order. */
function Mark({ step, link }: { step: Step | undefined; link: string | undefined }) {
  if (!step) return <td />;
  const { mark, said, tone } = marks[step.outcome];
  const shown = (
    <>
      <span aria-hidden="true">{mark}</span>
      <span className="sr-only">{said}</span>
    </>
  );
  return (
    <td
      className={`px-1.5 text-center ${tone} ${step.outcome === "not-reached" ? "hatch" : ""}`}
      title={step.sentence ?? undefined}
    >
      {step.outcome === "failed" && link ? (
        <a href={link} target="_blank" rel="noreferrer">
          {shown}
        </a>
      ) : (
        shown
      )}
    </td>
  );
}
