import { useEffect, useState } from "react";
import { useBench } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { idFrom } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { Sheet } from "../../shared/Sheet";
import { SheetFiles } from "../../shared/SheetFiles";
import { StationHead } from "../../shared/StationHead";
import { AskRates } from "./AskRates";
import { Registrations } from "./Registrations";
import { TaxPlace } from "./TaxPlace";

type Open = { kind: "cell" } | { kind: "place"; id: string } | { kind: "category"; id: string };

/** The tax book: places down, categories across, each cell a rate with the reference beside it. */
export function TaxStation() {
  const bench = useBench();
  const { tax } = bench.setup;
  const [open, setOpen] = useState<Open>({ kind: "cell" });

  useEffect(() => {
    const [station, list, id, part] = bench.wanted.split("/");
    if (station === "tax" && list === "places" && id && part !== "rates") setOpen({ kind: "place", id });
  }, [bench.wanted]);

  const addPlace = async (name: string) => {
    const id = idFrom(
      name,
      tax.places.map((row) => row.id),
    );
    if (await bench.set(`tax/places/${id}`, { id, name, places: [], except: [], rates: {} }))
      setOpen({ kind: "place", id });
  };
  const addCategory = async (name: string) => {
    const id = idFrom(
      name,
      tax.categories.map((category) => category.id),
    );
    if (await bench.set(`tax/categories/${id}`, { id, name })) setOpen({ kind: "category", id });
  };
  const row = open.kind === "place" ? tax.places.find((each) => each.id === open.id) : undefined;
  const category = open.kind === "category" ? tax.categories.find((each) => each.id === open.id) : undefined;
  const unconfirmed = tax.places.filter((each) => each.toConfirm);
  const rate = (id: string, cell: string) => `tax/places/${id}/rates/${cell}`;
  return (
    <>
      <StationHead title="Tax">
        <span>prices are typed {tax.prices === "with-tax" ? "with tax" : "without tax"}</span>
        <button type="button" className="cursor-pointer underline" onClick={() => void bench.fillTax()}>
          Fill from the reference
        </button>
        <AddNamed what="a place" add={(name) => void addPlace(name)} />
        <AddNamed what="a category" add={(name) => void addCategory(name)} />
        <SheetFiles sheet="taxes" />
      </StationHead>
      <Said problems={bench.problems.filter((problem) => problem.path === "tax/places")} />
      {tax.places.length === 0 ? (
        <p className="max-w-xl py-6 quiet">
          Nothing is taxed yet. Fill the book from the reference for the places you sell to, or add the place you are in
          and write its rate for each kind of goods, in percent: 23, or 0 where nothing is levied.
        </p>
      ) : (
        <Sheet
          label="Tax book"
          corner="Place"
          rows={tax.places.map((each) => ({
            id: each.id,
            name: each.name,
            note: [each.places.join(" "), each.toConfirm ? "to confirm" : ""].filter(Boolean).join(" · "),
          }))}
          columns={tax.categories.map((each) => ({ id: each.id, name: each.name, note: "in %" }))}
          pathOf={(each, column) => rate(each.id, column.id)}
          textOf={(each, column) => bench.draft.texts[rate(each.id, column.id)]?.text ?? ""}
          smallOf={(each, column) => bench.draft.texts[rate(each.id, column.id)]?.words.join(" ")}
          empty="no answer"
          openRow={(each) => setOpen({ kind: "place", id: each.id })}
          openColumn={(column) => setOpen({ kind: "category", id: column.id })}
          onActive={() => setOpen({ kind: "cell" })}
        />
      )}
      <div className="mt-4 border-t border-base-content pt-3">
        {open.kind === "cell" && (
          <div id="sheet-reading">
            <Said problems={bench.at.startsWith("tax/places/") ? bench.problems : []} />
            {unconfirmed.length > 0 && (
              <p className="mb-2 flex items-baseline gap-3">
                <span>
                  {unconfirmed.length === 1 ? "1 place is" : `${unconfirmed.length} places are`} filled from the
                  reference and not confirmed yet.
                </span>
                <button
                  type="button"
                  className="cursor-pointer underline"
                  onClick={() =>
                    void bench.commit(
                      unconfirmed.map((each) => ({ path: `tax/places/${each.id}/toConfirm`, was: each.toConfirm })),
                    )
                  }
                >
                  Confirm all of them
                </button>
              </p>
            )}
            <p className="quiet">
              A rate is a percentage: <span className="font-mono">23</span>, <span className="font-mono">13.5</span>,{" "}
              <span className="font-mono">0</span>, or several side by side as{" "}
              <span className="font-mono">GST 5 + QST 9.975</span>, the later <span className="font-mono">on top</span>{" "}
              of the earlier where it is levied on them. In small type: which of the published rates it is, and the day
              they were looked at. Where the book has no answer, no tax is charged.
            </p>
          </div>
        )}
        {row && <TaxPlace row={row} done={() => setOpen({ kind: "cell" })} />}
        {row && <AskRates key={row.id} row={row} />}
        {category && (
          <section aria-label={`Category ${category.name}`}>
            <div className="max-w-xs">
              <Field path={`tax/categories/${category.id}/name`} label="Name of the category" />
            </div>
          </section>
        )}
      </div>
      <Registrations />
    </>
  );
}
