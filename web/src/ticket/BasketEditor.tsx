import { type FormEvent, useId, useState } from "react";
import { answer, api, type Line, type Problem, problemsOf, type Setup } from "../api/client";
import { useActs, useBench, useTroubles } from "../desk/bench";
import { AddNamed } from "../shared/AddNamed";
import { usePlaceNames } from "../shared/PlacesField";
import { idFrom, setupPath, under } from "../shared/paths";
import { inWords } from "../shared/places";
import { Said } from "../shared/Said";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { firstOf, sampleOf } from "./basket";
import type { SampleOrder } from "./sampleOrder";

type Product = Setup["goods"]["products"][number];

interface Props {
  basket: SampleOrder;
  choose: (id: string) => void;
  /** Whether it is unfolded from the first. */
  open: boolean;
}

/** What is in a sample basket, changed where it stands; each change is one step of the draft and can be undone. */
export function BasketEditor({ basket, choose, open }: Props) {
  const { nameOf } = usePlaceNames();
  const bench = useBench();
  const acts = useActs();
  const troubles = useTroubles();
  const { products } = bench.setup.goods;
  const { baskets } = bench.setup.rehearsal;
  const [problems, setProblems] = useState<Problem[]>([]);
  const path = setupPath("rehearsal", "baskets", basket.id);
  const setLines = (lines: Line[]) => void acts.set(under(path)("order", "lines"), lines);
  const change = (at: number, line: Line) =>
    setLines(basket.order.lines.map((each, index) => (index === at ? line : each)));
  const named = (name: string) => {
    const id = idFrom(
      name,
      baskets.map((each) => each.id),
    );
    return { id, name };
  };
  const add = async (made: SampleOrder) => {
    if (await acts.set(setupPath("rehearsal", "baskets", made.id), made)) choose(made.id);
  };
  const fromOrder = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const number = Number(new FormData(form).get("number"));
    setProblems([]);
    await answer(api.GET("/api/shops/{shop}/orders/{number}", { params: { path: { shop: bench.shop, number } } })).then(
      (order) => add(sampleOf(named(say("orderNumbered", { number })), order.lines, order.to)).then(() => form.reset()),
      (reason: unknown) => setProblems(problemsOf(reason)),
    );
  };
  return (
    <details className="col-span-3 text-xs" open={open}>
      <summary className="cursor-pointer quiet">{say("whatIsInIt")}</summary>
      <ul className="mt-1">
        {basket.order.lines.map((line, at) => (
          <Entry
            // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place in the basket
            key={at}
            line={line}
            products={products}
            set={(next) => change(at, next)}
            remove={
              basket.order.lines.length > 1
                ? () => setLines(basket.order.lines.filter((_, index) => index !== at))
                : undefined
            }
          />
        ))}
      </ul>
      <p className="mt-1 flex flex-wrap items-baseline gap-x-3 gap-y-1">
        {products[0] && (
          <TextButton onClick={() => products[0] && setLines([...basket.order.lines, firstOf(products[0])])}>
            {say("addLine")}
          </TextButton>
        )}
        <AddNamed
          what={say("aBasket")}
          add={(name) => products[0] && void add(sampleOf(named(name), [firstOf(products[0])], basket.order.to))}
        />
        <TextButton onClick={() => void add({ ...basket, ...named(`${basket.name}, copy`) })}>
          {say("copyIt")}
        </TextButton>
        {baskets.length > 1 && (
          <TextButton onClick={() => void acts.set(path, undefined)}>{say("removeBasket")}</TextButton>
        )}
      </p>
      <form className="mt-1 flex items-baseline gap-2 whitespace-nowrap" onSubmit={(event) => void fromOrder(event)}>
        <label htmlFor="basket-order" className="quiet">
          {say("fromOrder")}
        </label>
        <input id="basket-order" name="number" className="inplace w-16" inputMode="numeric" placeholder="1001" />
        <button type="submit" className="cursor-pointer underline">
          {say("takeOver")}
        </button>
      </form>
      {basket.order.to && (
        <p className="mt-1 quiet">{say("goesUnlessAnotherPlaceTried", { to: inWords(basket.order.to, nameOf) })}</p>
      )}
      <Said
        problems={[
          ...problems,
          ...(troubles.refusals[path] ?? []),
          ...(troubles.refusals[under(path)("order", "lines")] ?? []),
        ]}
      />
    </details>
  );
}

interface EntryProps {
  line: Line;
  products: Product[];
  set: (line: Line) => void;
  remove?: () => void;
}

function Entry({ line, products, set, remove }: EntryProps) {
  const product = products.find((each) => each.id === line.product);
  const [quantity, setQuantity] = useState<string>();
  const name = product?.name ?? line.product;
  const leave = () => {
    const typed = quantity?.trim().replace(",", ".");
    setQuantity(undefined);
    if (typed && typed !== line.quantity) set({ ...line, quantity: typed });
  };
  return (
    <li className="flex flex-wrap items-baseline gap-x-1 border-b border-base-300 py-0.5">
      <input
        className="inplace w-10 text-end font-mono"
        aria-label={say("howMany", { name })}
        value={quantity ?? line.quantity}
        onChange={(event) => setQuantity(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => event.key === "Enter" && leave()}
      />
      <select
        className="inplace min-w-0 flex-1"
        aria-label={say("product")}
        value={line.product}
        onChange={(event) => {
          const next = products.find((each) => each.id === event.target.value);
          if (next) set(firstOf(next));
        }}
      >
        {!product && <option value={line.product}>{say("notSoldAnyMore", { product: line.product })}</option>}
        {products.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      {remove && (
        <button type="button" className="btn btn-ghost btn-xs" aria-label={say("takeOut", { name })} onClick={remove}>
          ×
        </button>
      )}
      {(product?.options.length ?? 0) > 0 && (
        <span className="flex w-full flex-wrap gap-x-2 ps-11">
          {product?.options.map((option) => (
            <select
              key={option.id}
              className="inplace"
              aria-label={option.name}
              value={line.options[option.id] ?? ""}
              onChange={(event) => set({ ...line, options: { ...line.options, [option.id]: event.target.value } })}
            >
              {!line.options[option.id] && <option value="">{option.name}?</option>}
              {option.choices.map((choice) => (
                <option key={choice.id} value={choice.id}>
                  {choice.name}
                </option>
              ))}
            </select>
          ))}
        </span>
      )}
      {product?.questions.map((question) => (
        <Answer
          key={question.id}
          question={question}
          answer={line.answers[question.id] ?? ""}
          give={(answer) => {
            const { [question.id]: _, ...others } = line.answers;
            set({ ...line, answers: answer ? { ...others, [question.id]: answer } : others });
          }}
        />
      ))}
    </li>
  );
}

interface AnswerProps {
  question: Product["questions"][number];
  answer: string;
  give: (answer: string) => void;
}

/** What is answered to a question about the goods; taken when the field is left. */
function Answer({ question, answer, give }: AnswerProps) {
  const id = useId();
  const [typed, setTyped] = useState<string>();
  const leave = () => {
    if (typed !== undefined && typed.trim() !== answer) give(typed.trim());
    setTyped(undefined);
  };
  const choices =
    question.kind === "tick" ? [{ id: "yes", name: say("yes") }] : question.kind === "one-of" ? question.answers : [];
  return (
    <span className="flex w-full items-baseline gap-x-2 ps-11">
      <label htmlFor={id} className="quiet">
        {question.name}
      </label>
      {choices.length > 0 ? (
        <select id={id} className="inplace" value={answer} onChange={(event) => give(event.target.value)}>
          {!question.compulsory && <option value="">{say("notAnswered")}</option>}
          {choices.map((choice) => (
            <option key={choice.id} value={choice.id}>
              {choice.name}
            </option>
          ))}
        </select>
      ) : (
        <input
          id={id}
          className="inplace min-w-0 flex-1"
          type={question.kind === "day" ? "date" : "text"}
          placeholder={say("notAnswered")}
          value={typed ?? answer}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={leave}
          onKeyDown={(event) => event.key === "Enter" && leave()}
        />
      )}
    </span>
  );
}
