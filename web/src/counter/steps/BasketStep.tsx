import { useState } from "react";
import type { Line, Product } from "../../api/client";
import { money, plain } from "../../shared/money";
import { sameLine } from "../basket";
import type { StepProps } from "./shared";

/** What is in the basket, and what can be put in. Choices are made before the basket. */
export function BasketStep({ counter, kept, change, quote, heading, next }: StepProps & { next: () => void }) {
  const add = (line: Line) => {
    const there = kept.lines.findIndex((each) => sameLine(each, line));
    change({
      lines:
        there < 0
          ? [...kept.lines, line]
          : kept.lines.map((each, index) =>
              index === there ? { ...each, quantity: String(Number(each.quantity) + 1) } : each,
            ),
    });
  };
  const setQuantity = (at: number, quantity: number) =>
    change({
      lines:
        quantity < 1
          ? kept.lines.filter((_, index) => index !== at)
          : kept.lines.map((line, index) => (index === at ? { ...line, quantity: String(quantity) } : line)),
    });
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="mb-3 text-2xl outline-none">
        {kept.lines.length > 0 ? "Your basket" : "What would you like?"}
      </h1>
      {kept.lines.map((line, index) => {
        const product = counter.products.find((each) => each.id === line.product);
        const shown = quote?.lines[index];
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
            </span>
            <span className="join">
              <button
                type="button"
                className="btn join-item btn-sm"
                aria-label={`One ${name} less`}
                onClick={() => setQuantity(index, Number(line.quantity) - 1)}
              >
                −
              </button>
              <span className="join-item flex w-9 items-center justify-center border border-base-300 font-mono">
                {plain(line.quantity)}
              </span>
              <button
                type="button"
                className="btn join-item btn-sm"
                aria-label={`One ${name} more`}
                onClick={() => setQuantity(index, Number(line.quantity) + 1)}
              >
                +
              </button>
            </span>
            <span className="figure w-20">{shown && money(shown.amount, quote.currency, counter.language)}</span>
          </div>
        );
      })}
      {kept.lines.length > 0 && (
        <button type="button" className="btn btn-primary btn-lg mt-4 w-full" onClick={next}>
          Go on to the address
        </button>
      )}
      <h2 className="mt-8 mb-1 text-lg">{kept.lines.length > 0 ? "Something else" : counter.name}</h2>
      <ul>
        {counter.products.map((product) => (
          <Thing key={product.id} product={product} currency={counter.currency} language={counter.language} add={add} />
        ))}
      </ul>
    </>
  );
}

function Thing({
  product,
  currency,
  language,
  add,
}: {
  product: Product;
  currency: string;
  language: string;
  add: (line: Line) => void;
}) {
  const [options, setOptions] = useState<Record<string, string>>({});
  const [asked, setAsked] = useState(false);
  const open = product.options.filter((option) => !options[option.id]);
  const put = () => {
    setAsked(true);
    if (open.length === 0) add({ product: product.id, quantity: "1", options });
  };
  return (
    <li className="border-b border-base-300 py-3">
      <div className="flex items-center gap-3">
        <span className="flex-1">
          {product.name}
          <span className="block text-xs quiet">
            {product.options.length > 0 ? "from " : ""}
            {money(product.price, currency, language)}
          </span>
        </span>
        <button type="button" className="btn btn-sm" aria-label={`Put ${product.name} into the basket`} onClick={put}>
          Put in
        </button>
      </div>
      {product.options.map((option) => (
        <fieldset key={option.id} className="mt-2 flex flex-wrap items-center gap-2">
          <legend className="float-start me-2 text-xs quiet">{option.name}</legend>
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
            </label>
          ))}
        </fieldset>
      ))}
      {asked && open.length > 0 && (
        <p role="alert" className="mt-1 text-error">
          Choose {open.map((option) => option.name.toLowerCase()).join(" and ")} first.
        </p>
      )}
    </li>
  );
}
