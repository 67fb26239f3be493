import { type RefObject, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import type { Setup } from "../api/client";
import { say } from "../shared/say";
import { useBench, useMarks } from "./bench";
import { stations } from "./Thread";

interface Thing {
  name: string;
  kind: string;
  /** Field to go to, or a page when it begins with a slash. */
  to: string;
}

/** Settings by the words a seller would look for. */
const settings: [string, string][] = [
  [say("nameShop"), "shop/name"],
  [say("legalName"), "shop/legalName"],
  [say("addressStreet"), "shop/address/lines"],
  [say("postcodeShop"), "shop/address/postcode"],
  ["E-mail", "shop/email"],
  [say("phone"), "shop/phone"],
  [say("currency"), "shop/currency"],
  [say("language"), "shop/language"],
  [say("timeZone"), "shop/timeZone"],
  [say("weightsKgOrLb"), "shop/weightUnit"],
  [say("rounding"), "shop/rounding"],
  [say("smallestOrder"), "shop/smallest"],
  [say("placesSoldCountries"), "shop/sellsTo"],
  [say("pricesWithOrWithoutTax"), "tax/prices"],
  [say("smallBusinessExempt"), "tax/smallBusiness"],
  [say("whatStandsStillForBuyers"), "tax/standing"],
  [say("ratesWhereGoesOrComes"), "tax/sourcing"],
  [say("defaultGroupGoods"), "goods/defaultGroup"],
];

function thingsOf(setup: Setup, shop: string): Thing[] {
  const { goods, delivery, tax, discounts, payment } = setup;
  return [
    ...stations.map((station) => ({ name: station.name, kind: "station", to: `/desk/${shop}/${station.id}` })),
    { name: say("orders"), kind: "page", to: `/desk/${shop}/orders` },
    ...settings.map(([name, to]) => ({ name, kind: "setting", to })),
    ...goods.products.map((each) => ({ name: each.name, kind: "product", to: `goods/products/${each.id}/price` })),
    ...goods.groups.map((each) => ({ name: each.name, kind: say("groupGoods"), to: `goods/groups/${each.id}/name` })),
    ...discounts.rules.map((each) => ({ name: each.name, kind: "discount", to: `discounts/rules/${each.id}/code` })),
    ...delivery.zones.map((each) => ({ name: each.name, kind: "zone", to: `delivery/zones/${each.id}/places` })),
    ...delivery.options.map((each) => ({ name: each.name, kind: "delivery", to: `delivery/options/${each.id}/name` })),
    ...tax.places.map((each) => ({ name: each.name, kind: "tax", to: `tax/places/${each.id}/places` })),
    ...payment.methods.map((each) => ({
      name: each.title,
      kind: say("wayPay"),
      to: `payment/methods/${each.id}/title`,
    })),
  ];
}

const MOST = 12;

/** Finds anything by its name: a station, a setting, a good, a zone, an order by its number. */
export function Find({ dialog }: { dialog: RefObject<HTMLDialogElement | null> }) {
  const bench = useBench();
  const marks = useMarks();
  const navigate = useNavigate();
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const things = useMemo(() => thingsOf(bench.setup, bench.shop), [bench.setup, bench.shop]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found: Thing[] = words.length
    ? things
        .filter((thing) => words.every((word) => `${thing.name} ${thing.kind}`.toLowerCase().includes(word)))
        .slice(0, MOST)
    : [];
  if (/^\d+$/.test(text.trim()))
    found.unshift({
      name: say("order", { trim: text.trim() }),
      kind: "order",
      to: `/desk/${bench.shop}/orders/${text.trim()}`,
    });
  const go = (thing: Thing | undefined) => {
    if (!thing) return;
    dialog.current?.close();
    setText("");
    if (thing.to.startsWith("/")) void navigate(thing.to);
    else marks.goTo(thing.to);
  };
  return (
    <dialog ref={dialog} className="modal items-start pt-24" aria-label={say("find")}>
      <div className="modal-box max-w-xl">
        <input
          className="input w-full"
          placeholder={say("placeGoodSettingOrder")}
          aria-label={say("findAnything")}
          role="combobox"
          aria-expanded={found.length > 0}
          aria-controls="found"
          aria-activedescendant={found[at] ? `found-${at}` : undefined}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            if (event.key === "ArrowDown") setAt(Math.min(at + 1, found.length - 1));
            else if (event.key === "ArrowUp") setAt(Math.max(at - 1, 0));
            else if (event.key === "Enter") go(found[at]);
            else return;
            event.preventDefault();
          }}
        />
        <div id="found" role="listbox" aria-label={say("found")} className="mt-2">
          {found.map((thing, index) => (
            <div
              key={`${thing.kind} ${thing.to}`}
              id={`found-${index}`}
              role="option"
              tabIndex={-1}
              aria-selected={index === at}
              className={`flex cursor-pointer justify-between px-2 py-1 ${index === at ? "lit" : ""}`}
              onMouseEnter={() => setAt(index)}
              onClick={() => go(thing)}
              onKeyDown={(event) => event.key === "Enter" && go(thing)}
            >
              <span>{thing.name}</span>
              <span className="quiet">{thing.kind}</span>
            </div>
          ))}
        </div>
        {words.length > 0 && found.length === 0 && <p className="mt-2 quiet">{say("nothingCalled")}</p>}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit">{say("close")}</button>
      </form>
    </dialog>
  );
}
