import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, problemsOf } from "../../api/client";
import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { lines } from "../../shared/notation/plain";
import { setupPath } from "../../shared/paths";
import { Said } from "../../shared/Said";
import { say } from "../../shared/say";

/** Links and HTML for another site: one product with its choices, or a sample basket as it is. */
export function Elsewhere() {
  const { shop, setup } = useBench();
  const [what, setWhat] = useState("");
  const [codes, setCodes] = useState("");
  const made = useMutation({
    mutationFn: () => {
      const [kind, id] = what.split(" ");
      const body = {
        ...(kind === "basket" && id ? { basket: id } : {}),
        ...(kind === "product" && id ? { product: id } : {}),
        codes: codes.split(/[\s,]+/).filter(Boolean),
      };
      return answer(api.POST("/api/shops/{shop}/elsewhere", { params: { path: { shop } }, body }));
    },
  });
  return (
    <div className="max-w-3xl">
      <Field
        path={setupPath("shop", "sites")}
        label={say("sitesListed")}
        placeholder={say("none")}
        note={say("sitesListedNote")}
        className="mb-4 block"
        {...lines}
      />
      <div className="flex flex-wrap items-end gap-4">
        <label>
          <span className="block text-xs quiet">{say("whatPutIntoBasket")}</span>
          <select
            className="inplace w-72"
            value={what}
            onChange={(event) => {
              setWhat(event.target.value);
              made.reset();
            }}
          >
            <option value="">{say("choose")}</option>
            <option value="counter">{say("wholeCounter")}</option>
            <optgroup label={say("oneProductBuyerChoosesThere")}>
              {setup.goods.products.map((product) => (
                <option key={product.id} value={`product ${product.id}`}>
                  {product.name}
                </option>
              ))}
            </optgroup>
            <optgroup label={say("sampleBasketAs")}>
              {setup.rehearsal.baskets.map((basket) => (
                <option key={basket.id} value={`basket ${basket.id}`}>
                  {basket.name}
                </option>
              ))}
            </optgroup>
          </select>
        </label>
        <label>
          <span className="block text-xs quiet">{say("codesCarries")}</span>
          <input
            className="inplace w-40"
            placeholder={say("none")}
            value={codes}
            onChange={(event) => setCodes(event.target.value)}
          />
        </label>
        <button type="button" className="btn btn-sm" disabled={!what || made.isPending} onClick={() => made.mutate()}>
          {say("make")}
        </button>
      </div>
      {made.isError && <Said problems={problemsOf(made.error)} />}
      {made.data && (
        <div className="mt-4 grid gap-4">
          <Copied label={say("link")} text={made.data.link} rows={2} />
          <Copied label={say("htmlPaste")} text={made.data.html} rows={8} />
          <div>
            <Copied label={say("scriptPaste")} text={made.data.script} rows={3} />
            <p className="text-xs quiet">{say("scriptPasteNote")}</p>
          </div>
          <p className="text-xs quiet">{say("signedLinkChangedOnWay")}</p>
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
          {copied ? say("copied") : say("copy")}
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
