import { Fragment, useState } from "react";
import type { Dress, PracticeOrder } from "../../api/client";
import { useBench } from "../../desk/bench";
import { usePlaceNames } from "../../shared/PlacesField";
import { inWords } from "../../shared/places";
import { say } from "../../shared/say";
import { samePlace } from "./figures";

type Step = PracticeOrder["steps"][number];

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

const failed = (order: PracticeOrder): Step | undefined => order.steps.find(({ outcome }) => outcome === "failed");

/** Practice orders down, steps across; what failed says why under its row. */
export function DressGrid({ view }: { view: Dress }) {
  const { setup } = useBench();
  const { nameOf } = usePlaceNames();
  const [onlyFailed, setOnlyFailed] = useState(false);
  const wrong = view.orders.filter((order) => failed(order) !== undefined);
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
              const why =
                failed(order) ?? order.steps.find(({ name, outcome }) => name === "placed" && outcome !== "held");
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
                      <Mark key={name} step={order.steps.find((each) => each.name === name)} />
                    ))}
                  </tr>
                  {why?.sentence && (
                    <tr>
                      <td
                        colSpan={steps.length + 1}
                        className={`pb-1 ${why.outcome === "failed" ? "border-s-4 border-error ps-2 text-error" : "quiet"}`}
                      >
                        {why.sentence} {why.remedy}
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

function OrderLinks({ order, shop }: { order: PracticeOrder; shop: string | undefined }) {
  if (order.number == null || !shop) return null;
  return (
    <span className="text-xs whitespace-nowrap">
      <a className="underline" href={`/desk/${shop}/orders/${order.number}`} target="_blank" rel="noreferrer">
        {say("orderNumbered", { number: String(order.number) })}
      </a>{" "}
      <a className="underline quiet" href={`/counter/${shop}/order/${order.token}`} target="_blank" rel="noreferrer">
        {say("asBuyerSeesIt")}
      </a>
    </span>
  );
}

function Mark({ step }: { step: Step | undefined }) {
  if (!step) return <td />;
  const { mark, said, tone } = marks[step.outcome];
  return (
    <td
      className={`px-1.5 text-center ${tone} ${step.outcome === "not-reached" ? "hatch" : ""}`}
      title={step.sentence ?? undefined}
    >
      <span aria-hidden="true">{mark}</span>
      <span className="sr-only">{said}</span>
    </td>
  );
}
