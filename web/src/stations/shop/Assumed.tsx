import { useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { NamedField } from "../../shared/NamedField";
import { setupPath } from "../../shared/paths";
import { RegionField } from "../../shared/RegionField";
import { say } from "../../shared/say";

const ways = [
  { id: "shop", name: say("assumedShop") },
  { id: "another", name: say("assumedAnother") },
  { id: "browser", name: say("assumedBrowser") },
  { id: "none", name: say("assumedNone") },
];

const NOTES = {
  shop: say("assumedShopNote"),
  another: say("assumedAnotherNote"),
  browser: say("assumedBrowserNote"),
  none: say("assumedNoneNote"),
};

/** What a basket is priced for until its buyer says where it goes. */
export function Assumed() {
  const bench = useBench();
  const { shop } = bench.setup;
  const { by, at } = shop.beforeAddress;
  return (
    <section aria-label={say("beforeAddress")} className="border-t border-base-300 pt-3">
      <div className="grid grid-cols-2 gap-x-6 gap-y-3">
        <Field
          path={setupPath("shop", "beforeAddress")}
          label={say("beforeAddress")}
          choices={ways}
          note={NOTES[by]}
          write={(value) => (value as { by?: string } | undefined)?.by ?? "shop"}
          read={(chosen) =>
            chosen === "another" ? { by: chosen, at: { country: shop.address.country } } : { by: chosen }
          }
          className="col-span-2"
        />
        {at && (
          <>
            <NamedField
              path={setupPath("shop", "beforeAddress", "at", "country")}
              label={say("country")}
              kind="country"
            />
            <RegionField path={setupPath("shop", "beforeAddress", "at", "region")} country={at.country} />
            <Field path={setupPath("shop", "beforeAddress", "at", "postcode")} label={say("postcode")} optional />
          </>
        )}
      </div>
    </section>
  );
}
