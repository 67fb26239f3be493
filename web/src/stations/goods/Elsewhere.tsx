import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";

/** Links and HTML for another site: one product with its choices, or a sample basket as it is. */
export function Elsewhere() {
  const { shop, setup } = useBench();
  const [what, setWhat] = useState("");
  const [codes, setCodes] = useState("");
  const made = useMutation({
    mutationFn: () => {
      const [kind, id] = what.split(" ");
      const body = {
        ...(kind === "basket" ? { basket: id ?? "" } : { product: id ?? "" }),
        codes: codes.split(/[\s,]+/).filter(Boolean),
      };
      return answer(api.POST("/api/shops/{shop}/elsewhere", { params: { path: { shop } }, body }));
    },
  });
  return (
    <div className="max-w-3xl">
      <div className="flex flex-wrap items-end gap-4">
        <label>
          <span className="block text-xs quiet">What is put into the basket</span>
          <select
            className="inplace w-72"
            value={what}
            onChange={(event) => {
              setWhat(event.target.value);
              made.reset();
            }}
          >
            <option value="">choose</option>
            <optgroup label="One product; the buyer chooses there">
              {setup.goods.products.map((product) => (
                <option key={product.id} value={`product ${product.id}`}>
                  {product.name}
                </option>
              ))}
            </optgroup>
            <optgroup label="A sample basket, as it is">
              {setup.rehearsal.baskets.map((basket) => (
                <option key={basket.id} value={`basket ${basket.id}`}>
                  {basket.name}
                </option>
              ))}
            </optgroup>
          </select>
        </label>
        <label>
          <span className="block text-xs quiet">Codes it carries</span>
          <input
            className="inplace w-40"
            placeholder="none"
            value={codes}
            onChange={(event) => setCodes(event.target.value)}
          />
        </label>
        <button type="button" className="btn btn-sm" disabled={!what || made.isPending} onClick={() => made.mutate()}>
          Make it
        </button>
      </div>
      {made.isError && <Said problems={problemsOf(made.error)} />}
      {made.data && (
        <div className="mt-4 grid gap-4">
          <Copied label="The link" text={made.data.link} rows={2} />
          <Copied label="HTML to paste" text={made.data.html} rows={8} />
          <p className="text-xs quiet">
            It is signed: a link changed on the way puts nothing into the basket. Prices are those of the live edition
            when it is followed, and the buyer is told where they have changed.
          </p>
        </div>
      )}
    </div>
  );
}

function Copied({ label, text, rows }: { label: string; text: string; rows: number }) {
  const [copied, setCopied] = useState(false);
  const copy = () =>
    void navigator.clipboard.writeText(text).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <div>
      <div className="flex items-baseline justify-between">
        <span className="text-xs quiet">{label}</span>
        <button type="button" className="cursor-pointer text-xs underline" onClick={copy}>
          {copied ? "Copied" : "Copy"}
        </button>
      </div>
      <textarea
        readOnly
        aria-label={label}
        rows={rows}
        className="textarea w-full font-mono text-xs"
        value={text}
        onFocus={(event) => event.currentTarget.select()}
      />
    </div>
  );
}
