import { Fragment } from "react";
import type { Dress, PracticeOrder } from "../../api/client";
import { useBench } from "../../desk/bench";
import { usePlaceNames } from "../../shared/PlacesField";
import { inWords } from "../../shared/places";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { samePlace } from "./figures";
import type { DressPage } from "./useDress";

type Step = PracticeOrder["steps"][number];

const PAGE = 100;

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

/** Why a cell was not ordered, where it was not and that is no fault. */
const reason = (order: PracticeOrder): string | undefined =>
  order.steps.find(({ name, outcome }) => name === "placed" && outcome === "nothing-to-do")?.sentence ?? undefined;

interface Props {
  view: Dress;
  page: DressPage;
  turn: (page: DressPage) => void;
}

/** What failed and why, once for all it happened to; then practice orders down, steps across. */
export function DressGrid({ view, page, turn }: Props) {
  const { setup } = useBench();
  const { nameOf } = usePlaceNames();
  const shown = view.orders;
  if (view.listed === 0 && !page.failed) return null;
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-4">
        <strong className={view.failed > 0 ? "text-error" : ""}>
          {say("dressSum", { orders: view.tried, failed: view.failed })}
        </strong>
        {(view.failed > 0 || page.failed) && (
          <button
            type="button"
            aria-pressed={page.failed}
            className={`cursor-pointer text-xs underline underline-offset-2 ${page.failed ? "font-semibold decoration-2" : "quiet"}`}
            onClick={() => turn({ from: 0, failed: !page.failed })}
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
      <Failures failures={view.failures} shop={view.shop ?? undefined} />
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keys as well */}
      <section key={page.from} aria-label={say("dressGrid")} tabIndex={0} className="mt-2 max-h-[32rem] overflow-auto">
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
                        link={orderAt(order.number, view.shop ?? undefined)}
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
      {view.listed > PAGE && (
        <p className="mt-2 flex flex-wrap items-baseline gap-x-4 text-sm">
          {page.from > 0 && (
            <TextButton onClick={() => turn({ ...page, from: Math.max(0, page.from - PAGE) })}>
              {say("dressBefore")}
            </TextButton>
          )}
          {say("dressShown", {
            first: Math.min(page.from + 1, view.listed),
            last: Math.min(page.from + PAGE, view.listed),
            listed: view.listed,
          })}
          {page.from + PAGE < view.listed && (
            <TextButton onClick={() => turn({ ...page, from: page.from + PAGE })}>{say("dressAfter")}</TextButton>
          )}
        </p>
      )}
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

const orderAt = (number: number | null | undefined, shop: string | undefined): string | undefined =>
  number == null || !shop ? undefined : `/desk/${shop}/orders/${number}`;

/** Each thing that failed, with the first of the orders it happened to. */
function Failures({ failures, shop }: { failures: Dress["failures"]; shop: string | undefined }) {
  if (failures.length === 0) return null;
  return (
    <ul className="mt-2 border-s-4 border-error ps-3">
      {failures.map(({ step, orders, numbers }) => (
        <li key={`${step.name} ${step.sentence}`} className="py-1">
          <strong>{steps.find(({ name }) => name === step.name)?.head}:</strong> {step.sentence}{" "}
          <span className="quiet">{step.remedy}</span>
          <span className="block text-xs">
            {numbers.map((number) => (
              <Fragment key={number}>
                <OrderLink number={number} shop={shop} />{" "}
              </Fragment>
            ))}
            {orders > numbers.length && numbers.length > 0 && (
              <span className="quiet">{say("dressAndMore", { count: orders - numbers.length })}</span>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}

function OrderLink({ number, shop }: { number: number; shop: string | undefined }) {
  const link = orderAt(number, shop);
  return link === undefined ? null : (
    <a className="underline" href={link} target="_blank" rel="noreferrer">
      {say("orderNumbered", { number: String(number) })}
    </a>
  );
}

function OrderLinks({ order, shop }: { order: PracticeOrder; shop: string | undefined }) {
  if (order.number == null || !shop) return null;
  return (
    <span className="text-xs whitespace-nowrap">
      <OrderLink number={order.number} shop={shop} />{" "}
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
