import { type FormEvent, useState } from "react";
import type { BuyerQuote, Counter, CounterProduct, Line, Problem } from "../../api/client";
import { money, plain } from "../../shared/money";
import { Said } from "../../shared/Said";
import { TextButton } from "../../shared/TextButton";
import { type Kept, moved, sameLine, stepOf } from "../basket";
import { useSay } from "../phrases";
import { hoursOf } from "../promise";
import type { StepProps } from "./shared";

/** What is in the basket, and what can be put in. Choices are made before the basket. */
export function BasketStep({
  counter,
  kept,
  change,
  quote,
  heading,
  problems,
  wrong,
  next,
}: StepProps & { wrong: Problem[]; next: () => void }) {
  const say = useSay();
  const productOf = (line: Line) => counter.products.find((each) => each.id === line.product);
  const put = (at: number, quantity: string) =>
    change({
      lines:
        Number(quantity) > 0
          ? kept.lines.map((line, index) => (index === at ? { ...line, quantity } : line))
          : kept.lines.filter((_, index) => index !== at),
    });
  const move = (at: number, times: number) => {
    const line = kept.lines[at];
    if (!line) return;
    const least = productOf(line)?.measure?.least ?? "1";
    const quantity = moved(line.quantity, stepOf(productOf(line)), times);
    put(at, Number(quantity) < Number(least) ? "0" : quantity);
  };
  const add = (line: Line) => {
    const there = kept.lines.findIndex((each) => sameLine(each, line));
    if (there < 0) change({ lines: [...kept.lines, line] });
    else move(there, 1);
  };
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="mb-3 text-2xl outline-none">
        {kept.lines.length > 0 ? say("yourBasket") : say("whatWouldYouLike")}
      </h1>
      <Said problems={problems} />
      {kept.lines.map((line, index) => {
        const product = productOf(line);
        const shown = quote?.basket[index];
        const name = product?.name ?? line.product;
        return (
          <div
            key={JSON.stringify([line.product, line.options])}
            className="flex items-center gap-3 border-b border-base-300 py-2"
          >
            <span className="flex-1">
              {name}
              {shown && shown.choices.length > 0 && (
                <span className="block text-xs quiet">{shown.choices.join(", ")}</span>
              )}
              {product?.options
                .flatMap(({ id, choices }) => choices.filter((choice) => choice.id === line.options?.[id]))
                .map(({ id, name, when }) => when && <Hours key={id} said={hoursOf(when, counter.language, name)} />)}
              {shown?.left != null && (
                <span className="block text-xs font-semibold text-error">
                  {Number(shown.left) > 0 ? say("onlyLeft", { count: plain(shown.left) }) : say("soldOut")}
                </span>
              )}
            </span>
            <span className="join">
              <button
                type="button"
                className="btn join-item btn-sm"
                aria-label={say("oneLess", { name })}
                onClick={() => move(index, -1)}
              >
                −
              </button>
              {product?.measure ? (
                <input
                  className="input input-sm join-item w-20 text-center font-mono"
                  aria-label={`${name}, ${product.measure.unit}`}
                  inputMode="decimal"
                  value={line.quantity}
                  onChange={(event) =>
                    change({
                      lines: kept.lines.map((each, at) =>
                        at === index ? { ...each, quantity: event.target.value || "0" } : each,
                      ),
                    })
                  }
                />
              ) : (
                <span className="join-item flex w-9 items-center justify-center border border-base-300 font-mono">
                  {plain(line.quantity)}
                </span>
              )}
              <button
                type="button"
                className="btn join-item btn-sm"
                aria-label={say("oneMore", { name })}
                onClick={() => move(index, 1)}
              >
                +
              </button>
            </span>
            <span className="figure w-20">{shown && money(shown.amount, quote.currency, counter.language)}</span>
          </div>
        );
      })}
      {kept.lines.length > 0 && <Said problems={wrong} />}
      {kept.lines.length > 0 && !counter.asking.withoutCodes && <Codes kept={kept} change={change} quote={quote} />}
      {kept.lines.length > 0 && (
        <button type="button" className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-4 w-full" onClick={next}>
          {say("toAddress")}
        </button>
      )}
      <h2 className="mt-8 mb-1 text-lg">{kept.lines.length > 0 ? say("somethingElse") : counter.name}</h2>
      <ul>
        {counter.products.map((product) => (
          <Thing
            key={product.id}
            product={toCome(product, counter.begun)}
            listed={counter.prices[product.id]}
            reduced={counter.reduced[product.id]}
            left={counter.left}
            currency={counter.currency}
            language={counter.language}
            add={add}
          />
        ))}
      </ul>
    </>
  );
}

/** Codes typed so far, and one more. */
function Codes({
  kept,
  change,
  quote,
}: {
  kept: Kept;
  change: (part: Partial<Kept>) => void;
  quote: BuyerQuote | undefined;
}) {
  const say = useSay();
  const [typed, setTyped] = useState("");
  const add = (event: FormEvent) => {
    event.preventDefault();
    if (typed.trim()) change({ codes: [...kept.codes.filter((code) => code !== typed.trim()), typed.trim()] });
    setTyped("");
  };
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <form className="join" onSubmit={add}>
        <input
          className="input input-sm join-item w-52"
          aria-label={say("code")}
          placeholder={say("aCode")}
          maxLength={40}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <button type="submit" className="btn btn-sm join-item">
          {say("use")}
        </button>
      </form>
      {kept.codes.map((code) => {
        const refused = quote?.refusedCodes.find((each) => each.code.toUpperCase() === code.toUpperCase());
        return (
          <TextButton
            key={code}
            className="decoration-dotted"
            onClick={() => change({ codes: kept.codes.filter((each) => each !== code) })}
          >
            {code}: {refused ? refused.reason : say("used")} {say("takeItOff")}
          </TextButton>
        );
      })}
    </div>
  );
}

/** What is counted of a product with these choices: the variation that fits them, where it has a count of its own, else the product. */
function itemOf(product: CounterProduct, options: Record<string, string>, left: Record<string, string>): string {
  const fitting = product.variations
    .filter((each) => Object.entries(each.options).every(([option, choice]) => options[option] === choice))
    .sort((one, other) => Object.keys(other.options).length - Object.keys(one.options).length)[0];
  const own = fitting && `${product.id}/${fitting.id}`;
  return own && own in left ? own : product.id;
}

/** When something chosen takes place. */
const Hours = ({ said }: { said: string }) => <span className="block text-xs quiet">{said}</span>;

/** Whether choices change what it costs. */
const dearer = ({ options, variations }: CounterProduct): boolean =>
  variations.some(({ price }) => price) ||
  options.some(({ choices }) => choices.some(({ extra, percent }) => Number(extra ?? 0) || Number(percent ?? 0)));

/** A product without the days that have come. */
const toCome = (product: CounterProduct, begun: string[]): CounterProduct => ({
  ...product,
  options: product.options.map((option) => ({
    ...option,
    choices: option.choices.filter(({ id }) => !begun.includes(`${product.id}/${option.id}/${id}`)),
  })),
});

function Thing({
  product,
  listed,
  reduced,
  left,
  currency,
  language,
  add,
}: {
  product: CounterProduct;
  /** Its price in the currency chosen; of an amount the buyer chooses the least. */
  listed: string | undefined;
  /** That price lowered for some days. */
  reduced: Counter["reduced"][string] | undefined;
  /** How many there are of what is counted. */
  left: Record<string, string>;
  currency: string;
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
  const donation = product.kind === "donation" || (product.kind === "voucher" && product.bounds != null);
  const gone =
    Number(left[itemOf(product, options, left)] ?? "1") <= 0 ||
    product.options.some((option) => option.choices.length === 0);
  const open = product.options.filter((option) => !options[option.id]);
  const unsaid = donation && !/^\d+([.,]\d+)?$/.test(amount.trim());
  const put = () => {
    setAsked(true);
    if (open.length > 0 || unsaid) return;
    const given = amount.trim().replace(",", ".");
    add({
      product: product.id,
      quantity: product.measure?.least ?? "1",
      options,
      ...(donation ? { amount: given } : {}),
    });
  };
  return (
    <li className="border-b border-base-300 py-3">
      <div className="flex items-center gap-3">
        <span className="flex-1">
          {product.name}
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
          aria-label={gone ? `${product.name}: ${say("soldOut")}` : say("putInto", { name: product.name })}
          disabled={gone}
          onClick={put}
        >
          {gone ? say("soldOut") : say("putIn")}
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
