import { type RefObject, useMemo, useState } from "react";
import { useNavigate } from "react-router";
import type { Setup } from "../api/client";
import { setupPath } from "../shared/paths";
import { say, sayCode } from "../shared/say";
import { useBench, useMarks } from "./bench";
import { stations } from "./Thread";

interface Thing {
  name: string;
  kind: string;
  /** Field to go to, or a page when it begins with a slash. */
  to: string;
  /** What else it is called. */
  also?: string;
}

/** Settings, each found by its own name and by what other people call it. */
const settings: { name: string; to: string; also?: string }[] = [
  { name: say("nameShop"), to: setupPath("shop", "name") },
  { name: say("legalName"), to: setupPath("shop", "legalName") },
  { name: say("addressStreet"), to: setupPath("shop", "address", "lines") },
  { name: say("postcodeShop"), to: setupPath("shop", "address", "postcode") },
  { name: say("email"), to: setupPath("shop", "email") },
  { name: say("phone"), to: setupPath("shop", "phone") },
  { name: say("currency"), to: setupPath("shop", "currency"), also: say("alsoCurrency") },
  { name: say("language"), to: setupPath("shop", "language"), also: say("alsoLanguage") },
  { name: say("timeZone"), to: setupPath("shop", "timeZone") },
  { name: say("weightsKgOrLb"), to: setupPath("shop", "weightUnit") },
  { name: say("lengths"), to: setupPath("shop", "lengthUnit"), also: say("alsoLengths") },
  { name: say("rounding"), to: setupPath("shop", "rounding") },
  { name: say("smallestOrder"), to: setupPath("shop", "smallest"), also: say("alsoSmallest") },
  { name: say("placesSoldCountries"), to: setupPath("shop", "sellsTo") },
  { name: say("pricesWithOrWithoutTax"), to: setupPath("tax", "prices"), also: say("alsoPrices") },
  { name: say("smallBusinessExempt"), to: setupPath("tax", "smallBusiness") },
  { name: say("whatStandsStillForBuyers"), to: setupPath("tax", "standing") },
  { name: say("ratesWhereGoesOrComes"), to: setupPath("tax", "sourcing") },
  { name: say("defaultGroupGoods"), to: setupPath("goods", "defaultGroup") },
];

/** Parts of stations, by what other people call what is there. */
const parts: { name: string; station: string; also: string }[] = [
  { name: say("rateSheet"), station: "delivery", also: say("alsoRates") },
  { name: say("discountsCodes"), station: "goods", also: say("alsoDiscounts") },
  { name: say("vouchers"), station: "payment", also: say("alsoVouchers") },
  { name: say("wayMoneyTakes"), station: "payment", also: say("alsoPayment") },
  { name: say("practiceServices"), station: "payment", also: say("alsoPractice") },
  { name: say("taxBook"), station: "tax", also: say("alsoTax") },
  { name: say("registrations"), station: "tax", also: say("alsoRegistrations") },
  { name: say("hours"), station: "pickup", also: say("alsoHours") },
  { name: say("whatCounterAsks"), station: "terms", also: say("alsoAsking") },
  { name: say("texts"), station: "terms", also: say("alsoTexts") },
  { name: say("letters"), station: "terms", also: say("alsoLetters") },
  { name: say("board"), station: "rehearsal", also: say("alsoBoard") },
  { name: say("door"), station: "opening", also: say("alsoDoor") },
];

function thingsOf(setup: Setup, shop: string): Thing[] {
  const { goods, delivery, tax, discounts, payment } = setup;
  const kind = (code: string) => sayCode("kind", code);
  return [
    ...stations.map((station) => ({ name: station.name, kind: kind("station"), to: `/desk/${shop}/${station.id}` })),
    { name: say("orders"), kind: kind("page"), to: `/desk/${shop}/orders` },
    ...settings.map((setting) => ({ ...setting, kind: kind("setting") })),
    ...parts.map(({ name, station, also }) => ({ name, also, kind: kind("page"), to: `/desk/${shop}/${station}` })),
    ...goods.products.map((each) => ({
      name: each.name,
      kind: kind("product"),
      to: setupPath("goods", "products", each.id, "price"),
    })),
    ...goods.groups.map((each) => ({
      name: each.name,
      kind: say("groupGoods"),
      to: setupPath("goods", "groups", each.id, "name"),
    })),
    ...discounts.rules.map((each) => ({
      name: each.name,
      kind: kind("discount"),
      to: setupPath("discounts", "rules", each.id, "code"),
      ...(each.code ? { also: each.code } : {}),
    })),
    ...delivery.zones.map((each) => ({
      name: each.name,
      kind: kind("zone"),
      to: setupPath("delivery", "zones", each.id, "places"),
    })),
    ...delivery.options.map((each) => ({
      name: each.name,
      kind: kind("delivery"),
      to: setupPath("delivery", "options", each.id, "name"),
    })),
    ...tax.places.map((each) => ({
      name: each.name,
      kind: kind("tax"),
      to: setupPath("tax", "places", each.id, "places"),
    })),
    ...payment.methods.map((each) => ({
      name: each.title,
      kind: say("wayPay"),
      to: setupPath("payment", "methods", each.id, "title"),
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
        .filter((thing) =>
          words.every((word) => `${thing.name} ${thing.kind} ${thing.also ?? ""}`.toLowerCase().includes(word)),
        )
        .slice(0, MOST)
    : [];
  if (/^\d+$/.test(text.trim()))
    found.unshift({
      name: say("orderSought", { trim: text.trim() }),
      kind: sayCode("kind", "order"),
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
              key={`${thing.kind} ${thing.name} ${thing.to}`}
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
