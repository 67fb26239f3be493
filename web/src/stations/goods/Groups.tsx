import { useBench } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { idFrom } from "../../shared/paths";

/** Groups of goods with what they say for their goods, the default one, and groups of buyers. */
export function Groups() {
  const bench = useBench();
  const { goods, tax } = bench.setup;
  const categories = [{ id: "", name: "each says its own" }, ...tax.categories];
  const standing = [{ id: "", name: "none" }, ...goods.groups];
  const optional = (text: string) => text || undefined;
  const addGroup = (name: string) => {
    const id = idFrom(
      name,
      goods.groups.map((each) => each.id),
    );
    void bench.set(`goods/groups/${id}`, { id, name });
  };
  const addBuyers = (name: string) => {
    const id = idFrom(
      name,
      goods.buyerGroups.map((each) => each.id),
    );
    void bench.set(`goods/buyerGroups/${id}`, { id, name, percentOff: "10" });
  };
  return (
    <div className="mt-6 grid gap-8 xl:grid-cols-2">
      <section aria-label="Groups of goods">
        <div className="flex items-baseline gap-4">
          <h2 className="text-base">Groups of goods</h2>
          <AddNamed what="a group" add={addGroup} />
        </div>
        <p className="mt-1 text-xs quiet">
          What a product does not say, its group says; without a group, the default one.
        </p>
        {goods.groups.map((group) => (
          <div key={group.id} className="mt-2 grid grid-cols-[1.4fr_1fr_1fr_1.4fr_auto] items-end gap-x-4">
            <Field path={`goods/groups/${group.id}/name`} label="Group" />
            <Field path={`goods/groups/${group.id}/category`} label="Taxed as" choices={categories} read={optional} />
            <Field path={`goods/groups/${group.id}/weight`} label="Weight" optional />
            <Field path={`goods/groups/${group.id}/sending/size`} label="Size" optional />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={`Remove the group ${group.name}`}
              onClick={() => void bench.set(`goods/groups/${group.id}`, undefined)}
            >
              Remove
            </button>
          </div>
        ))}
        {goods.groups.length > 0 && (
          <div className="mt-2 max-w-56">
            <Field path="goods/defaultGroup" label="Default group" choices={standing} read={optional} />
          </div>
        )}
      </section>
      <section aria-label="Groups of buyers">
        <div className="flex items-baseline gap-4">
          <h2 className="text-base">Groups of buyers</h2>
          <AddNamed what="buyers" add={addBuyers} />
        </div>
        <p className="mt-1 text-xs quiet">A percent off the shelf price, or prices of their own at each product.</p>
        {goods.buyerGroups.map((group) => (
          <div key={group.id} className="mt-2 grid grid-cols-[2fr_1fr_auto] items-end gap-x-4">
            <Field path={`goods/buyerGroups/${group.id}/name`} label="Buyers" />
            <Field path={`goods/buyerGroups/${group.id}/percentOff`} label="Percent off" optional />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={`Remove the buyers ${group.name}`}
              onClick={() => void bench.set(`goods/buyerGroups/${group.id}`, undefined)}
            >
              Remove
            </button>
          </div>
        ))}
      </section>
    </div>
  );
}
