import { useEffect, useState } from "react";
import type { Setup } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Field, places } from "../../shared/Field";
import { idFrom } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { Sheet } from "../../shared/Sheet";
import { StationHead } from "../../shared/StationHead";

type Open = { kind: "cell" } | { kind: "place"; id: string } | { kind: "category"; id: string };

type Rows = Setup["tax"]["places"];

/** How delivery is taxed, as one choice: three ways, or a category of its own. */
const deliveryTax = {
  choices: (categories: Setup["tax"]["categories"]) => [
    { id: "like-goods", name: "like the goods it carries" },
    { id: "highest-rate", name: "at the highest rate of the goods" },
    { id: "not-taxed", name: "not taxed" },
    ...categories.map((category) => ({ id: `own-category ${category.id}`, name: `as ${category.name}` })),
  ],
  write: (value: unknown) => {
    const tax = value as Rows[number]["delivery"];
    return tax ? [tax.way, tax.category].filter(Boolean).join(" ") : "like-goods";
  },
  read: (text: string) => {
    const [way, category] = text.split(" ");
    return way === "like-goods" ? undefined : { way, ...(category ? { category } : {}) };
  },
};

/** The tax book: places down, categories across, each cell a rate. */
export function TaxStation() {
  const bench = useBench();
  const { tax } = bench.setup;
  const [open, setOpen] = useState<Open>({ kind: "cell" });

  useEffect(() => {
    const [station, list, id, part] = bench.wanted.split("/");
    if (station === "tax" && list === "places" && id && part !== "rates") setOpen({ kind: "place", id });
  }, [bench.wanted]);

  const addPlace = async () => {
    const id = idFrom(
      "New place",
      tax.places.map((row) => row.id),
    );
    if (await bench.set(`tax/places/${id}`, { id, name: "New place", places: [], except: [], rates: {} }))
      setOpen({ kind: "place", id });
  };
  const addCategory = async () => {
    const id = idFrom(
      "New category",
      tax.categories.map((category) => category.id),
    );
    if (await bench.set(`tax/categories/${id}`, { id, name: "New category" })) setOpen({ kind: "category", id });
  };
  const row = open.kind === "place" ? tax.places.find((each) => each.id === open.id) : undefined;
  const category = open.kind === "category" ? tax.categories.find((each) => each.id === open.id) : undefined;
  return (
    <>
      <StationHead title="Tax">
        <span>prices are typed {tax.prices === "with-tax" ? "with tax" : "without tax"}</span>
        <button type="button" className="cursor-pointer underline" onClick={() => void addPlace()}>
          Add a place
        </button>
        <button type="button" className="cursor-pointer underline" onClick={() => void addCategory()}>
          Add a category
        </button>
      </StationHead>
      {tax.places.length === 0 ? (
        <p className="max-w-xl py-6 quiet">
          Nothing is taxed yet. Add the place you are in and write its rate for each kind of goods, in percent: 23, or 0
          where nothing is levied.
        </p>
      ) : (
        <Sheet
          label="Tax book"
          corner="Place"
          rows={tax.places.map((each) => ({ id: each.id, name: each.name, note: each.places.join(" ") }))}
          columns={tax.categories.map((each) => ({ id: each.id, name: each.name, note: "in %" }))}
          pathOf={(each, column) => `tax/places/${each.id}/rates/${column.id}`}
          textOf={(each, column) => bench.draft.texts[`tax/places/${each.id}/rates/${column.id}`]?.text ?? ""}
          empty="no answer"
          openRow={(each) => setOpen({ kind: "place", id: each.id })}
          openColumn={(column) => setOpen({ kind: "category", id: column.id })}
          onActive={() => setOpen({ kind: "cell" })}
        />
      )}
      <div className="mt-4 border-t border-base-content pt-3">
        {open.kind === "cell" && (
          <div id="sheet-reading">
            <Said problems={bench.at.startsWith("tax/") ? bench.problems : []} />
            <p className="quiet">
              A rate is a percentage: <span className="font-mono">23</span>, <span className="font-mono">13.5</span>,{" "}
              <span className="font-mono">0</span>, or several side by side as{" "}
              <span className="font-mono">GST 5 + QST 9.975</span>, the later <span className="font-mono">on top</span>{" "}
              of the earlier where it is levied on them. Delivery is taxed as its place says. Where the book has no
              answer, no tax is charged.
            </p>
          </div>
        )}
        {row && (
          <section aria-label={`Place ${row.name}`}>
            <div className="grid max-w-3xl grid-cols-3 gap-x-6">
              <Field path={`tax/places/${row.id}/name`} label="Name" />
              <Field
                path={`tax/places/${row.id}/places`}
                label="Places"
                note="IE, US-NC, GB:BT, EU"
                write={places.write}
                read={places.read}
              />
              <Field path={`tax/places/${row.id}/except`} label="Without" write={places.write} read={places.read} />
              <Field
                path={`tax/places/${row.id}/delivery`}
                label="Delivery is taxed"
                className="mt-3"
                choices={deliveryTax.choices(tax.categories)}
                write={deliveryTax.write}
                read={deliveryTax.read}
              />
            </div>
            <button
              type="button"
              className="btn btn-ghost btn-sm mt-2"
              onClick={() =>
                void bench.set(`tax/places/${row.id}`, undefined).then((done) => done && setOpen({ kind: "cell" }))
              }
            >
              Remove this place
            </button>
          </section>
        )}
        {category && (
          <section aria-label={`Category ${category.name}`}>
            <div className="max-w-xs">
              <Field path={`tax/categories/${category.id}/name`} label="Name of the category" />
            </div>
          </section>
        )}
      </div>
    </>
  );
}
