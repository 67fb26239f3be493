import { type FormEvent, useState } from "react";
import type { BuyerQuote, Counter, Line, Problem } from "../../api/client";
import { money, plain } from "../../shared/money";
import { Said } from "../../shared/Said";
import { TextButton } from "../../shared/TextButton";
import { type Kept, moved, sameLine, stepOf } from "../basket";
import { codesEffect } from "../codesEffect";
import { useSay } from "../phrases";
import { hoursOf } from "../promise";
import type { Goods } from "../useGoods";
import { GoesTo } from "./GoesTo";
import { GoodsList } from "./GoodsList";
import type { StepProps } from "./shared";
import { ListedThing, WhenItIs } from "./Thing";

/** What is in the basket, and what can be put in. Choices are made before the basket. */
export function BasketStep({
  counter,
  kept,
  change,
  quote,
  heading,
  problems,
  wrong,
  goods,
  withoutCodes,
  wallet,
  next,
}: StepProps & {
  wrong: Problem[];
  goods: Goods;
  withoutCodes: BuyerQuote | undefined;
  wallet: ((method: string, amount: string) => Promise<void>) | undefined;
  next: () => void;
}) {
  const say = useSay();
  const effect = codesEffect(quote, withoutCodes);
  const productOf = (line: Line) => counter.goods.products.find((each) => each.id === line.product);
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
            key={JSON.stringify([line.product, line.options, line.answers, line.contents, line.amount])}
            className="flex items-center gap-3 border-b border-base-300 py-2"
          >
            <span className="flex-1">
              {name}
              {shown && shown.choices.length > 0 && (
                <span className="block text-xs quiet">{shown.choices.join(", ")}</span>
              )}
              {product?.options
                .flatMap(({ id, choices }) => choices.filter((choice) => choice.id === line.options?.[id]))
                .map(
                  ({ id, name, when }) => when && <WhenItIs key={id} said={hoursOf(when, counter.language, name)} />,
                )}
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
      {kept.lines.length > 0 && <Said problems={wrong.filter(({ path }) => path.startsWith("order/lines"))} />}
      {kept.lines.length > 0 &&
        quote?.notSold.map((sentence) => (
          <p key={sentence} role="status" className="mt-2 font-semibold text-error">
            {sentence}
          </p>
        ))}
      {kept.lines.length > 0 && !counter.asking.withoutCodes && <Codes kept={kept} change={change} quote={quote} />}
      {kept.lines.length > 0 && <Offered counter={counter} kept={kept} add={add} />}
      {kept.lines.length > 0 && (
        <GoesTo
          counter={counter}
          kept={kept}
          change={change}
          wrong={wrong.filter(({ path }) => path.startsWith("order/to"))}
        />
      )}
      {effect && quote && (
        <p role="status" className="mt-2">
          {say(effect.phrase, { amount: money(effect.by, quote.currency, counter.language) })}
        </p>
      )}
      {kept.lines.length > 0 && (
        <button type="button" className="btn btn-primary btn-lg h-auto min-h-12 py-2 mt-4 w-full" onClick={next}>
          {say("toAddress")}
        </button>
      )}
      {kept.lines.length > 0 && wallet && quote && <Wallets quote={quote} ask={wallet} />}
      <h2 className="mt-8 mb-1 text-lg">{kept.lines.length > 0 ? say("somethingElse") : counter.name}</h2>
      {quote?.readNet && <p className="text-sm quiet">{say("listedWithTax")}</p>}
      <GoodsList counter={counter} goods={goods} add={add} />
    </>
  );
}

/** Wallets that know name and address: one press instead of two steps. */
function Wallets({ quote, ask }: { quote: BuyerQuote; ask: (method: string, amount: string) => Promise<void> }) {
  const say = useSay();
  const [busy, setBusy] = useState(false);
  // What is charged again needs a card that is kept.
  const wallets = quote.renewing.length > 0 ? [] : quote.methods.filter(({ kind }) => kind === "wallet");
  return wallets.map((method) => (
    <button
      key={method.id}
      type="button"
      className="btn btn-outline btn-lg mt-2 h-auto min-h-12 w-full py-2"
      disabled={busy}
      onClick={() => {
        setBusy(true);
        void ask(method.id, method.toPay).finally(() => setBusy(false));
      }}
    >
      {busy ? say("askingWallet") : say("addressFromWallet", { wallet: method.title })}
    </button>
  ));
}

/** What the shop offers with every order, as far as it is not in the basket yet. */
function Offered({ counter, kept, add }: { counter: Counter; kept: Kept; add: (line: Line) => void }) {
  const say = useSay();
  const offered = counter.asking.offered
    .filter((id) => !kept.lines.some((line) => line.product === id))
    .flatMap((id) => counter.goods.products.filter((product) => product.id === id && !product.soldOut));
  if (offered.length === 0) return null;
  return (
    <section aria-label={say("withYourOrder")} className="mt-4">
      <h2 className="text-base">{say("withYourOrder")}</h2>
      <ul>
        {offered.map((product) => (
          <ListedThing key={product.id} counter={counter} product={product} add={add} />
        ))}
      </ul>
    </section>
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
