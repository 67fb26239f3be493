import { useState } from "react";
import { useBench } from "../../desk/bench";
import { idFrom, valueAt } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { type Column, Sheet } from "../../shared/Sheet";
import { StationHead } from "../../shared/StationHead";

const kinds = [
  { id: "physical", name: "sent or fetched" },
  { id: "digital", name: "download" },
  { id: "service", name: "service" },
];

/** What is sold, as far as pricing needs it. */
export function GoodsStation() {
  const bench = useBench();
  const { goods, tax, shop } = bench.setup;
  const [name, setName] = useState("");
  const columns: Column[] = [
    { id: "name", name: "Name", figures: false },
    { id: "price", name: `Price, ${shop.currency}`, note: tax.prices === "with-tax" ? "with tax" : "without tax" },
    { id: "weight", name: "Weight of one", note: `as 1.2 ${shop.weightUnit}` },
    { id: "category", name: "Taxed as", choices: tax.categories, figures: false },
    { id: "kind", name: "Kind", choices: kinds, figures: false },
  ];
  const rows = goods.products.map((product) => ({
    id: product.id,
    name: product.id,
    note:
      product.options.length > 0
        ? `choice of ${product.options.map((option) => option.name.toLowerCase()).join(", ")}`
        : undefined,
  }));
  const add = async () => {
    if (!name.trim()) return;
    const id = idFrom(
      name,
      rows.map((row) => row.id),
    );
    const product = {
      id,
      name: name.trim(),
      kind: "physical",
      price: "0",
      category: tax.categories[0]?.id ?? "",
      options: [],
    };
    if (await bench.set(`goods/products/${id}`, product)) {
      setName("");
      bench.goTo(`goods/products/${id}/price`);
    }
  };
  const here = bench.at.startsWith("goods/");
  const product = here ? goods.products.find((each) => each.id === bench.at.split("/")[2]) : undefined;
  return (
    <>
      <StationHead title="Goods">{goods.products.length} products</StationHead>
      <Sheet
        label="Goods"
        corner="Code"
        rows={rows}
        columns={columns}
        pathOf={(row, column) => `goods/products/${row.id}/${column.id}`}
        textOf={(row, column) => String(valueAt(bench.draft.document, `goods/products/${row.id}/${column.id}`) ?? "")}
      />
      <div className="mt-2 min-h-6" id="sheet-reading">
        {here && <Said problems={bench.problems} />}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <input
          className="input input-sm w-64"
          aria-label="Name of a new product"
          placeholder="Name of a new product"
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && void add()}
        />
        <button type="button" className="btn btn-sm" onClick={() => void add()}>
          Add
        </button>
        {product && (
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => void bench.set(`goods/products/${product.id}`, undefined)}
          >
            Remove {product.name}
          </button>
        )}
      </div>
    </>
  );
}
