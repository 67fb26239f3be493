import { useEffect, useMemo, useState } from "react";
import type { Setup } from "../../api/client";
import { useActs, useBench, useMarks, useSpotlight, useTroubles } from "../../desk/bench";
import { Fold } from "../../shared/Fold";
import { idFrom, setupPath } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { type Column, Sheet } from "../../shared/Sheet";
import { SheetFiles } from "../../shared/SheetFiles";
import { StationHead } from "../../shared/StationHead";
import { say } from "../../shared/say";
import { DiscountSheet } from "./DiscountSheet";
import { Elsewhere } from "./Elsewhere";
import { Groups } from "./Groups";
import { MovingIn } from "./MovingIn";
import { ProductDetail } from "./ProductDetail";

const kinds = [
  { id: "physical", name: say("sentOrFetched") },
  { id: "digital", name: say("download") },
  { id: "service", name: say("serviceAtShop") },
  { id: "remote-service", name: say("serviceFromAfar") },
  { id: "donation", name: say("donation") },
  { id: "voucher", name: say("voucherKind") },
  { id: "bundle", name: say("bundle") },
  { id: "box", name: say("box") },
];

/** What is sold, as far as pricing needs it. */
export function GoodsStation() {
  const bench = useBench();
  const spotlight = useSpotlight();
  const acts = useActs();
  const marks = useMarks();
  const troubles = useTroubles();
  const { goods, tax, shop } = bench.setup;
  const [name, setName] = useState("");
  const [filter, setFilter] = useState("");
  const [unfolded, setUnfolded] = useState<string>();
  const columns: Column<keyof Setup["goods"]["products"][number]>[] = [
    { id: "name", name: say("nameField"), figures: false },
    {
      id: "price",
      name: say("priceIn", { currency: shop.currency }),
      note: tax.prices === "with-tax" ? say("withTax") : say("withoutTax"),
    },
    {
      id: "weight",
      name: say("weightOne"),
      note: say("weightExample", { weightUnit: shop.weightUnit }),
      read: (text) => text.trim() || undefined,
    },
    { id: "category", name: say("taxedAs"), choices: tax.categories, figures: false },
    { id: "kind", name: say("kind"), choices: kinds, figures: false },
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
            ? say("choice", { join: product.options.map((option) => option.name.toLowerCase()).join(", ") })
            : "",
          !product.group && standing ? say("defaultGroupNamed", { name: standing.name }) : "",
        ]
          .filter(Boolean)
          .join(" · "),
      }));
  }, [goods, filter]);

  useEffect(() => {
    const [station, list, id, part, ...more] = spotlight.wanted.split("/");
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
    if (await acts.set(setupPath("goods", "products", id), product)) {
      setName("");
      setFilter("");
      marks.goTo(setupPath("goods", "products", id, "price"));
    }
  };
  const here = spotlight.at.startsWith(`${setupPath("goods", "products")}/`);
  const product = here ? byId.get(spotlight.at.split("/")[2] ?? "") : undefined;
  return (
    <>
      <StationHead title={say("goods")}>
        <span>
          {rows.length === goods.products.length
            ? say("productCount", { count: goods.products.length })
            : say("productCountOf", { count: rows.length, count2: goods.products.length })}
        </span>
        <input
          className="inplace w-40"
          aria-label={say("filterGoods")}
          placeholder={say("filter")}
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
        <SheetFiles sheet="goods" />
        <MovingIn />
      </StationHead>
      {goods.products.length === 0 && <p className="max-w-xl py-4 quiet">{say("nothingSoldYetTypeName")}</p>}
      <Sheet
        label={say("goods")}
        corner={say("code")}
        rows={rows}
        columns={columns}
        pathOf={(row, column) => setupPath("goods", "products", row.id, column.id)}
        textOf={(row, column) => String((byId.get(row.id) as Record<string, unknown> | undefined)?.[column.id] ?? "")}
        openRow={(row) => setUnfolded(unfolded === row.id ? undefined : row.id)}
        unfold={(row) => {
          const open = row.id === unfolded ? byId.get(row.id) : undefined;
          return open && <ProductDetail key={open.id} product={open} close={() => setUnfolded(undefined)} />;
        }}
      />
      <div className="mt-2 min-h-6" id="sheet-reading">
        {here && <Said problems={troubles.problems} />}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <input
          className="input input-sm w-64"
          aria-label={say("nameNewProduct")}
          placeholder={say("nameNewProduct")}
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && void add()}
        />
        <button type="button" className="btn btn-sm" onClick={() => void add()}>
          {say("addIt")}
        </button>
        {product && (
          <>
            <button type="button" className="btn btn-ghost btn-sm" onClick={() => setUnfolded(product.id)}>
              {say("unfold", { name: product.name })}
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              onClick={() => void acts.set(setupPath("goods", "products", product.id), undefined)}
            >
              {say("removeNamed", { name: product.name })}
            </button>
          </>
        )}
      </div>
      <DiscountSheet />
      <Groups />
      <Fold title={say("sellFromAnotherSite")} note={say("linkOrPieceHtmlOpens")}>
        <Elsewhere />
      </Fold>
    </>
  );
}
