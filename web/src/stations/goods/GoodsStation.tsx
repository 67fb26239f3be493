import { useEffect, useMemo, useState } from "react";
import { useBench } from "../../desk/bench";
import { counted } from "../../shared/counted";
import { Fold } from "../../shared/Fold";
import { idFrom } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { type Column, Sheet } from "../../shared/Sheet";
import { SheetFiles } from "../../shared/SheetFiles";
import { StationHead } from "../../shared/StationHead";
import { DiscountSheet } from "./DiscountSheet";
import { Elsewhere } from "./Elsewhere";
import { Groups } from "./Groups";
import { ProductDetail } from "./ProductDetail";

const kinds = [
  { id: "physical", name: "sent or fetched" },
  { id: "digital", name: "download" },
  { id: "service", name: "service at the shop" },
  { id: "remote-service", name: "service from afar" },
  { id: "donation", name: "donation" },
  { id: "voucher", name: "voucher" },
  { id: "bundle", name: "bundle" },
];

/** What is sold, as far as pricing needs it. */
export function GoodsStation() {
  const bench = useBench();
  const { goods, tax, shop } = bench.setup;
  const [name, setName] = useState("");
  const [filter, setFilter] = useState("");
  const [unfolded, setUnfolded] = useState<string>();
  const columns: Column[] = [
    { id: "name", name: "Name", figures: false },
    { id: "price", name: `Price, ${shop.currency}`, note: tax.prices === "with-tax" ? "with tax" : "without tax" },
    {
      id: "weight",
      name: "Weight of one",
      note: `as 1.2 ${shop.weightUnit}`,
      read: (text) => text.trim() || undefined,
    },
    { id: "category", name: "Taxed as", choices: tax.categories, figures: false },
    { id: "kind", name: "Kind", choices: kinds, figures: false },
  ];
  const byId = useMemo(() => new Map(goods.products.map((product) => [product.id, product])), [goods.products]);
  const rows = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const standing = goods.groups.find((group) => group.id === goods.defaultGroup);
    return goods.products
      .filter((product) => !wanted || `${product.id} ${product.name}`.toLowerCase().includes(wanted))
      .map((product) => ({
        id: product.id,
        name: product.id,
        note: [
          product.options.length > 0
            ? `choice of ${product.options.map((option) => option.name.toLowerCase()).join(", ")}`
            : "",
          !product.group && standing ? `default group ${standing.name}` : "",
        ]
          .filter(Boolean)
          .join(" · "),
      }));
  }, [goods, filter]);

  useEffect(() => {
    const [station, list, id, part, ...more] = bench.wanted.split("/");
    const inSheet = more.length === 0 && columns.some((column) => column.id === part);
    if (station === "goods" && list === "products" && id && byId.has(id)) {
      setFilter("");
      if (!inSheet) setUnfolded(id);
    }
  });

  const add = async () => {
    if (!name.trim()) return;
    const id = idFrom(
      name,
      goods.products.map((product) => product.id),
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
      setFilter("");
      bench.goTo(`goods/products/${id}/price`);
    }
  };
  const here = bench.at.startsWith("goods/products/");
  const product = here ? byId.get(bench.at.split("/")[2] ?? "") : undefined;
  return (
    <>
      <StationHead title="Goods">
        <span>
          {rows.length === goods.products.length
            ? counted(goods.products.length, "product")
            : `${rows.length} of ${counted(goods.products.length, "product")}`}
        </span>
        <input
          className="inplace w-40"
          aria-label="Filter the goods"
          placeholder="filter"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
        <SheetFiles sheet="goods" />
      </StationHead>
      {goods.products.length === 0 && (
        <p className="max-w-xl py-4 quiet">
          Nothing is sold yet. Type the name of a first product below, or take a file with columns code, name, price,
          weight, category.
        </p>
      )}
      <Sheet
        label="Goods"
        corner="Code"
        rows={rows}
        columns={columns}
        pathOf={(row, column) => `goods/products/${row.id}/${column.id}`}
        textOf={(row, column) => String((byId.get(row.id) as Record<string, unknown> | undefined)?.[column.id] ?? "")}
        openRow={(row) => setUnfolded(unfolded === row.id ? undefined : row.id)}
        unfold={(row) => {
          const open = row.id === unfolded ? byId.get(row.id) : undefined;
          return open && <ProductDetail key={open.id} product={open} close={() => setUnfolded(undefined)} />;
        }}
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
          <>
            <button type="button" className="btn btn-ghost btn-sm" onClick={() => setUnfolded(product.id)}>
              Unfold {product.name}
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              onClick={() => void bench.set(`goods/products/${product.id}`, undefined)}
            >
              Remove {product.name}
            </button>
          </>
        )}
      </div>
      <DiscountSheet />
      <Groups />
      <Fold
        title="Sell from another site"
        note="a link or a piece of HTML that opens the counter with something in the basket"
      >
        <Elsewhere />
      </Fold>
    </>
  );
}
