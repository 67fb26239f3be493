import { useEffect, useState } from "react";
import type { Counter, Line } from "../../api/client";
import { useSay } from "../phrases";
import type { Goods } from "../useGoods";
import { ListedThing } from "./Thing";

/** So many goods and more are found by name, too. */
const many = 12;

interface Props {
  counter: Counter;
  goods: Goods;
  add: (line: Line) => void;
}

/** The goods under the headings of their groups, found by name, a page at a time. */
export function GoodsList({ counter, goods, add }: Props) {
  const say = useSay();
  const { looking, look, listed } = goods;
  const [find, setFind] = useState(looking.find);
  // Asked for a moment after the last key.
  useEffect(() => {
    if (find.trim() === looking.find) return;
    const soon = setTimeout(() => look({ find: find.trim() }), 200);
    return () => clearTimeout(soon);
  }, [find, looking.find, look]);
  const total = counter.headings.reduce((sum, heading) => sum + heading.count, 0) || counter.goods.found;
  const nameOf = (id: string) => counter.headings.find((each) => each.id === id)?.name || say("otherGoods");
  // What is in no group is asked for by a sign of its own.
  const asked = (id: string) => id || "-";
  const sections = counter.headings.length > 0 ? [...new Set(listed.map(({ heading }) => heading))] : [undefined];
  return (
    <>
      {total > many && (
        <input
          type="search"
          className="input input-sm mb-2 w-full"
          aria-label={say("findGoods")}
          placeholder={say("findGoods")}
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
      )}
      {total > many && counter.headings.length > 0 && (
        <nav aria-label={say("groupsOfGoods")} className="mb-2 flex flex-wrap gap-x-4 gap-y-1">
          {[
            { id: "", name: say("allGoods"), to: "" },
            // What is in no group and comes first bears no heading.
            ...counter.headings
              .filter((each, place) => each.id !== "" || place > 0)
              .map((each) => ({ ...each, to: asked(each.id) })),
          ].map(({ id, to }, index) => (
            <button
              key={to}
              type="button"
              aria-pressed={looking.heading === to}
              className={`cursor-pointer py-1 ${looking.heading === to ? "font-semibold underline decoration-2 underline-offset-4" : "underline decoration-dotted"}`}
              onClick={() => look({ heading: to })}
            >
              {index === 0 ? say("allGoods") : nameOf(id)}
            </button>
          ))}
        </nav>
      )}
      {sections.map((section, at) => (
        <section key={section ?? "all"} aria-label={section === undefined ? counter.name : nameOf(section)}>
          {section !== undefined && (section !== "" || at > 0) && (
            <h3 className="mt-4 border-b-2 border-base-content pb-1">{nameOf(section)}</h3>
          )}
          <ul>
            {listed
              .filter((product) => section === undefined || product.heading === section)
              .map((product) => (
                <ListedThing key={product.id} counter={counter} product={product} add={add} />
              ))}
          </ul>
        </section>
      ))}
      {listed.length === 0 && looking.find && !goods.busy && (
        <p role="status" className="py-4 quiet">
          {say("nothingFound", { find: looking.find })}
        </p>
      )}
      {goods.toCome > 0 && (
        <button type="button" className="btn btn-sm mt-3" disabled={goods.busy} onClick={goods.more}>
          {say("moreGoods", { count: goods.toCome })}
        </button>
      )}
    </>
  );
}
