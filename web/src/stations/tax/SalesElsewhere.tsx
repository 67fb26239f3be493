import { useActs, useBench } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { useCountries } from "../../shared/useCountries";

/** What was sold to consumers in other member states before or beside this shop: it counts to the 10,000 euro. */
export function SalesElsewhere() {
  const { setup } = useBench();
  const acts = useActs();
  const { salesElsewhere, registrations } = setup.tax;
  const home = useCountries().get(setup.shop.address.country);
  if (registrations.length === 0 || !home?.union) return null;
  const add = () => {
    const thisYear = new Date().getFullYear();
    const year = [thisYear, thisYear - 1].find((each) => !salesElsewhere.some((known) => known.year === each));
    const id = `y${year ?? Math.max(...salesElsewhere.map((known) => known.year)) + 1}`;
    void acts.set(setupPath("tax", "salesElsewhere", id), { id, year: Number(id.slice(1)), net: "0" });
  };
  return (
    <section aria-label={say("salesElsewhere")} className="mt-6">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-base">{say("salesElsewhere")}</h2>
        <TextButton onClick={add}>{say("addYearOfSales")}</TextButton>
      </div>
      <p className="mt-1 max-w-2xl text-sm quiet">{say("salesElsewhereNote")}</p>
      <ul className="mt-2 grid gap-y-2">
        {salesElsewhere.map((each) => {
          const at = setupPath("tax", "salesElsewhere", each.id);
          return (
            <li key={each.id} className="flex flex-wrap items-end gap-x-4">
              <Field
                path={under(at)("year")}
                label={say("year")}
                write={(value) => String(value ?? "")}
                read={(text) => Number(text.trim())}
              />
              <Field path={under(at)("net")} label={say("salesInEuro")} />
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                onClick={() => void acts.set(at, undefined)}
                aria-label={say("removeYearOfSales", { year: String(each.year) })}
              >
                {say("removeIt")}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
