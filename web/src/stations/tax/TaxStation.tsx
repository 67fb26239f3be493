import { useEffect, useState } from "react";
import { useActs, useBench, useSpotlight, useTroubles } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { usePlaceNames } from "../../shared/PlacesField";
import { idFrom, setupPath } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { Sheet } from "../../shared/Sheet";
import { SheetFiles } from "../../shared/SheetFiles";
import { StationHead } from "../../shared/StationHead";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { AskRates } from "./AskRates";
import { RateFields } from "./RateFields";
import { Registrations } from "./Registrations";
import { SalesElsewhere } from "./SalesElsewhere";
import { TaxPlace } from "./TaxPlace";

type Open = { kind: "cell" } | { kind: "place"; id: string } | { kind: "category"; id: string };

/** The tax book: places down, categories across, each cell a rate with the reference beside it. */
export function TaxStation() {
  const places = usePlaceNames();
  const bench = useBench();
  const spotlight = useSpotlight();
  const acts = useActs();
  const troubles = useTroubles();
  const { tax } = bench.setup;
  const [open, setOpen] = useState<Open>({ kind: "cell" });

  useEffect(() => {
    const [station, list, id, part] = spotlight.wanted.split("/");
    if (station === "tax" && list === "places" && id && part !== "rates") setOpen({ kind: "place", id });
  }, [spotlight.wanted]);

  const addPlace = async (name: string) => {
    const id = idFrom(
      name,
      tax.places.map((row) => row.id),
    );
    if (await acts.set(setupPath("tax", "places", id), { id, name, places: [], except: [], rates: {} }))
      setOpen({ kind: "place", id });
  };
  const addCategory = async (name: string) => {
    const id = idFrom(
      name,
      tax.categories.map((category) => category.id),
    );
    if (await acts.set(setupPath("tax", "categories", id), { id, name })) setOpen({ kind: "category", id });
  };
  const row = open.kind === "place" ? tax.places.find((each) => each.id === open.id) : undefined;
  const category = open.kind === "category" ? tax.categories.find((each) => each.id === open.id) : undefined;
  const [, , placeAt, , categoryAt] = spotlight.at.startsWith(`${setupPath("tax", "places")}/`)
    ? spotlight.at.split("/")
    : [];
  const placeOfCell = tax.places.find((each) => each.id === placeAt);
  const categoryOfCell = tax.categories.find((each) => each.id === categoryAt);
  const cell = placeOfCell && categoryOfCell && { place: placeOfCell, category: categoryOfCell };
  const unconfirmed = tax.places.filter((each) => each.toConfirm);
  const rate = (id: string, cell: string) => setupPath("tax", "places", id, "rates", cell);
  return (
    <>
      <StationHead title={say("tax")}>
        <span>
          {say("pricesAreTypedSo", { prices: tax.prices === "with-tax" ? say("withTax") : say("withoutTax") })}
        </span>
        <TextButton onClick={() => void acts.fillTax()}>{say("fillFromReference")}</TextButton>
        <AddNamed what={say("aPlace")} add={(name) => void addPlace(name)} />
        <AddNamed what={say("category")} add={(name) => void addCategory(name)} />
        <SheetFiles sheet="taxes" />
      </StationHead>
      <Said problems={troubles.problems.filter((problem) => problem.path === setupPath("tax", "places"))} />
      {tax.places.length === 0 ? (
        <p className="max-w-xl py-6 quiet">{say("nothingTaxedYetFillBook")}</p>
      ) : (
        <Sheet
          label={say("taxBook")}
          corner={say("place")}
          rows={tax.places.map((each) => ({
            id: each.id,
            name: each.name,
            note: [places.summary(each.places, each.name), each.toConfirm ? say("toConfirm") : ""]
              .filter(Boolean)
              .join(" · "),
          }))}
          columns={tax.categories.map((each) => ({ id: each.id, name: each.name, note: say("inPercent") }))}
          pathOf={(each, column) => rate(each.id, column.id)}
          textOf={(each, column) => bench.draft.texts[rate(each.id, column.id)]?.text ?? ""}
          smallOf={(each, column) => bench.draft.texts[rate(each.id, column.id)]?.words.join(" ")}
          empty={say("noAnswer")}
          openRow={(each) => setOpen({ kind: "place", id: each.id })}
          openColumn={(column) => setOpen({ kind: "category", id: column.id })}
          onActive={() => setOpen({ kind: "cell" })}
        />
      )}
      <div className="mt-4 border-t border-base-content pt-3">
        {open.kind === "cell" && (
          <div id="sheet-reading">
            <Said problems={spotlight.at.startsWith(`${setupPath("tax", "places")}/`) ? troubles.problems : []} />
            {cell && (
              <>
                <h2>
                  {cell.place.name}, {cell.category.name}
                </h2>
                <RateFields
                  key={bench.draft.version}
                  path={rate(cell.place.id, cell.category.id)}
                  rate={cell.place.rates[cell.category.id]}
                />
              </>
            )}
            {unconfirmed.length > 0 && (
              <p className="mb-2 flex items-baseline gap-3">
                <span>
                  {say("filledFromReferenceNotConfirmed", {
                    count:
                      unconfirmed.length === 1 ? say("onePlaceIs") : say("placesAre", { count: unconfirmed.length }),
                  })}
                </span>
                <TextButton
                  onClick={() =>
                    void acts.commit(
                      unconfirmed.map((each) => ({
                        path: setupPath("tax", "places", each.id, "toConfirm"),
                        was: each.toConfirm,
                      })),
                    )
                  }
                >
                  {say("confirmAllThem")}
                </TextButton>
              </p>
            )}
            <p className="quiet">
              {say("ratePercentage")} <span className="font-mono">23</span>, <span className="font-mono">13.5</span>,{" "}
              <span className="font-mono">0</span>
              {say("orSeveralSideBySide")} <span className="font-mono">{say("ratesExample")}</span>
              {say("theLater")} <span className="font-mono">{say("onTop")}</span> {say("earlierWhereLeviedOnThem")}
            </p>
          </div>
        )}
        {row && <TaxPlace row={row} done={() => setOpen({ kind: "cell" })} />}
        {row && <AskRates key={row.id} row={row} />}
        {category && (
          <section aria-label={say("categoryNamed", { name: category.name })}>
            <div className="max-w-xs">
              <Field path={setupPath("tax", "categories", category.id, "name")} label={say("nameCategory")} />
            </div>
          </section>
        )}
      </div>
      <Registrations />
      <SalesElsewhere />
    </>
  );
}
