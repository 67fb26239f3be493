import { useState } from "react";
import type { Counter, CounterProduct, Line } from "../../api/client";
import { money } from "../../shared/money";
import { answerable, given } from "../answers";
import { useSay } from "../phrases";
import { dayOf, hoursOf } from "../promise";
import { Asked } from "./Asked";
import { contentsOf, countOf, Filling, type Pieces } from "./Filling";

/** What is counted of a product with these choices: the variation that fits them, where it has a count of its own, else the product. */
function itemOf(product: CounterProduct, options: Record<string, string>, left: Record<string, string>): string {
  const fitting = product.variations
    .filter((each) => Object.entries(each.options).every(([option, choice]) => options[option] === choice))
    .sort((one, other) => Object.keys(other.options).length - Object.keys(one.options).length)[0];
  const own = fitting && `${product.id}/${fitting.id}`;
  return own && own in left ? own : product.id;
}

/** When something chosen takes place. */
export const WhenItIs = ({ said }: { said: string }) => <span className="block text-xs quiet">{said}</span>;

/** Whether choices change what it costs. */
const dearer = ({ options, variations, box }: CounterProduct): boolean =>
  (box != null && (box.priced === "sum" || box.from.some(({ extra }) => Number(extra ?? 0)))) ||
  variations.some(({ price }) => price) ||
  options.some(({ choices }) => choices.some(({ extra, percent }) => Number(extra ?? 0) || Number(percent ?? 0)));

/** A product without the days that have come. */
export const toCome = (product: CounterProduct, begun: string[]): CounterProduct => ({
  ...product,
  options: product.options.map((option) => ({
    ...option,
    choices: option.choices.filter(({ id }) => !begun.includes(`${product.id}/${option.id}/${id}`)),
  })),
});

interface Listed {
  counter: Counter;
  product: CounterProduct;
  add: (line: Line) => void;
}

/** A product as the counter knows it, without the days that have come. */
export const ListedThing = ({ counter, product, add }: Listed) => (
  <Thing
    counter={counter}
    product={toCome(product, counter.goods.begun)}
    listed={counter.goods.prices[product.id]}
    reduced={counter.goods.reduced[product.id]}
    left={counter.goods.left}
    currency={counter.currency}
    inOwn={counter.currency === counter.currencies[0]}
    language={counter.language}
    add={add}
  />
);

/** A product of the list: what it is, what is chosen and asked, and the press that puts it into the basket. */
function Thing({
  counter,
  product,
  listed,
  reduced,
  left,
  currency,
  inOwn,
  language,
  add,
}: {
  counter: Counter;
  product: CounterProduct;
  /** Its price in the currency chosen; of an amount the buyer chooses the least. */
  listed: string | undefined;
  /** That price lowered for some days. */
  reduced: Counter["goods"]["reduced"][string] | undefined;
  /** How many there are of what is counted. */
  left: Record<string, string>;
  currency: string;
  /** Whether that is the shop's own, in which what answers add is typed. */
  inOwn: boolean;
  language: string;
  add: (line: Line) => void;
}) {
  const say = useSay();
  const price = money(reduced?.now ?? listed ?? product.price, currency, language);
  const before = listed && reduced && listed !== reduced.now ? money(listed, currency, language) : undefined;
  const least = dearer(product) ? say("from", { price }) : price;
  const perUnit = product.measure ? say("perUnit", { price: least, unit: product.measure.unit }) : least;
  const [options, setOptions] = useState<Record<string, string>>({});
  const [amount, setAmount] = useState("");
  const [asked, setAsked] = useState(false);
  const [pieces, setPieces] = useState<Pieces>({});
  const lacking = product.box ? Math.max(0, product.box.least - countOf(pieces)) : 0;
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const donation = product.kind === "donation" || (product.kind === "voucher" && product.bounds != null);
  const gone =
    product.soldOut ||
    Number(left[itemOf(product, options, left)] ?? "1") <= 0 ||
    product.options.some((option) => option.choices.length === 0);
  const open = product.options.filter((option) => !options[option.id]);
  const unanswered = product.questions.filter((question) => !answerable(question, answers[question.id] ?? ""));
  const unsaid = donation && !/^\d+([.,]\d+)?$/.test(amount.trim());
  const put = () => {
    setAsked(true);
    if (open.length > 0 || unsaid || unanswered.length > 0 || lacking > 0) return;
    const typed = amount.trim().replace(",", ".");
    add({
      product: product.id,
      quantity: product.measure?.least ?? "1",
      options,
      answers: given(product.questions, answers),
      contents: product.box ? contentsOf(product.box, pieces) : [],
      ...(donation ? { amount: typed } : {}),
    });
    setAnswers({});
    setPieces({});
    setAsked(false);
  };
  return (
    <li className="border-b border-base-300 py-3">
      <div className="flex items-center gap-3">
        {product.picture && (
          <img
            src={`/api/counter/${counter.shop}/pictures/${product.picture}`}
            alt=""
            width={64}
            height={64}
            loading="lazy"
            className="size-16 bg-base-200 object-contain"
          />
        )}
        <span className="flex-1">
          {product.name}
          {product.sentence && (
            <span className="block text-sm quiet" dir="auto">
              {product.sentence}
            </span>
          )}
          <span className="block text-xs quiet">
            {donation ? say("from", { price }) : perUnit}
            {before && (
              <>
                {" "}
                <span className="sr-only">{say("insteadOf")} </span>
                <s>{before}</s>
                {reduced?.prior && ` ${say("lowestBefore", { price: money(reduced.prior, currency, language) })}`}
              </>
            )}
          </span>
          {product.from && !gone && (
            <span className="block text-xs font-semibold">
              {say("canBeHadFrom", { day: dayOf(product.from, language) })}
            </span>
          )}
        </span>
        {donation && (
          <input
            className="input input-sm w-20 figure"
            inputMode="decimal"
            aria-label={say("amountIn", { name: product.name, currency })}
            value={amount}
            onChange={(event) => setAmount(event.target.value)}
          />
        )}
        <button
          type="button"
          className="btn btn-sm"
          aria-label={
            gone || product.from
              ? `${product.name}: ${gone ? say("soldOut") : say("notYet")}`
              : say("putInto", { name: product.name })
          }
          disabled={gone || product.from != null}
          onClick={put}
        >
          {gone ? say("soldOut") : product.from ? say("notYet") : say("putIn")}
        </button>
      </div>
      {product.options.map((option) => (
        <fieldset key={option.id} className="mt-2 flex flex-wrap items-center gap-2">
          <legend className="float-start me-2 text-xs quiet">{option.name}</legend>
          {option.choices.length === 0 && <span className="quiet">{say("noDayLeft")}</span>}
          {option.choices.map((choice) => (
            <label
              key={choice.id}
              className={`cursor-pointer border px-3 py-1 text-sm has-focus-visible:outline-2 has-focus-visible:outline-accent ${options[option.id] === choice.id ? "border-base-content bg-base-100 font-semibold" : "border-base-300"}`}
            >
              <input
                type="radio"
                className="sr-only"
                name={`${product.id} ${option.id}`}
                checked={options[option.id] === choice.id}
                onChange={() => setOptions({ ...options, [option.id]: choice.id })}
              />
              {choice.name}
              {choice.when && <span className="block text-xs">{hoursOf(choice.when, language, choice.name)}</span>}
            </label>
          ))}
        </fieldset>
      ))}
      {product.box && <Filling counter={counter} product={product} box={product.box} pieces={pieces} put={setPieces} />}
      {asked && lacking > 0 && (
        <p role="alert" className="mt-1 text-error">
          {say("fillFirst", { count: lacking })}
        </p>
      )}
      {product.questions.map((question) => (
        <Asked
          key={question.id}
          question={question}
          of={product.name}
          prices={inOwn ? (price) => money(price, currency, language) : undefined}
          answer={answers[question.id] ?? ""}
          give={(answer) => setAnswers({ ...answers, [question.id]: answer })}
        />
      ))}
      {asked && unanswered.length > 0 && (
        <p role="alert" className="mt-1 text-error">
          {say("answerFirst", { names: say.list(unanswered.map(({ name }) => name)) })}
        </p>
      )}
      {asked && unsaid && (
        <p role="alert" className="mt-1 text-error">
          {say("sayHowMuch", { currency })}
        </p>
      )}
      {asked && open.length > 0 && (
        <p role="alert" className="mt-1 text-error">
          {say("chooseFirst", { names: say.list(open.map((option) => option.name)) })}
        </p>
      )}
    </li>
  );
}
