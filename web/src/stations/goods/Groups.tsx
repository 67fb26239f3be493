import { Link } from "react-router";
import { useActs, useBench } from "../../desk/bench";
import { AddNamed } from "../../shared/AddNamed";
import { Field } from "../../shared/Field";
import { yesNo, yesNoChoices } from "../../shared/notation/plain";
import { idFrom, setupPath } from "../../shared/paths";
import { say } from "../../shared/say";

/** Groups of goods with what they say for their goods, the default one, and groups of buyers. */
export function Groups() {
  const bench = useBench();
  const acts = useActs();
  const { shop } = bench;
  const { goods, tax } = bench.setup;
  const categories = [{ id: "", name: say("eachSaysItsOwn") }, ...tax.categories];
  const standing = [{ id: "", name: say("none") }, ...goods.groups];
  const optional = (text: string) => text || undefined;
  const addGroup = (name: string) => {
    const id = idFrom(
      name,
      goods.groups.map((each) => each.id),
    );
    void acts.set(setupPath("goods", "groups", id), { id, name });
  };
  const addBuyers = (name: string) => {
    const id = idFrom(
      name,
      goods.buyerGroups.map((each) => each.id),
    );
    void acts.set(setupPath("goods", "buyerGroups", id), { id, name, percentOff: "10" });
  };
  return (
    <div className="mt-6 grid gap-8 xl:grid-cols-2">
      <section aria-label={say("groupsGoods")}>
        <div className="flex items-baseline gap-4">
          <h2 className="text-base">{say("groupsGoods")}</h2>
          <AddNamed what={say("group")} add={addGroup} />
        </div>
        <p className="mt-1 text-xs quiet">{say("whatProductDoesNotSay")}</p>
        {goods.groups.map((group) => (
          <div key={group.id} className="mt-2 grid grid-cols-[1.4fr_1fr_1fr_1.4fr_auto] items-end gap-x-4">
            <Field path={setupPath("goods", "groups", group.id, "name")} label={say("groupField")} />
            <Field
              path={setupPath("goods", "groups", group.id, "category")}
              label={say("taxedAs")}
              choices={categories}
              read={optional}
            />
            <Field path={setupPath("goods", "groups", group.id, "weight")} label={say("weight")} optional />
            <Field path={setupPath("goods", "groups", group.id, "sending", "size")} label={say("size")} optional />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={say("removeGroup", { name: group.name })}
              onClick={() => void acts.set(setupPath("goods", "groups", group.id), undefined)}
            >
              {say("removeIt")}
            </button>
          </div>
        ))}
        {goods.groups.length > 0 && (
          <div className="mt-2 max-w-56">
            <Field
              path={setupPath("goods", "defaultGroup")}
              label={say("defaultGroupField")}
              choices={standing}
              read={optional}
            />
          </div>
        )}
      </section>
      <section aria-label={say("groupsBuyers")}>
        <div className="flex items-baseline gap-4">
          <h2 className="text-base">{say("groupsBuyers")}</h2>
          <AddNamed what={say("buyers")} add={addBuyers} />
        </div>
        <p className="mt-1 text-xs quiet">
          {say("percentOffShelfPriceOr")}{" "}
          {goods.buyerGroups.length > 0 && (
            <Link className="underline" to={`/desk/${shop}/buyers`}>
              {say("whoBelongsToThem")}
            </Link>
          )}
        </p>
        {goods.buyerGroups.map((group) => (
          <div key={group.id} className="mt-2 grid grid-cols-[2fr_1.2fr_auto] items-end gap-x-4 gap-y-1">
            <Field path={setupPath("goods", "buyerGroups", group.id, "name")} label={say("buyersHead")} />
            <Field
              path={setupPath("goods", "buyerGroups", group.id, "percentOff")}
              label={say("percentOff")}
              optional
            />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={say("removeBuyers", { name: group.name })}
              onClick={() => void acts.set(setupPath("goods", "buyerGroups", group.id), undefined)}
            >
              {say("removeIt")}
            </button>
            <Field path={setupPath("goods", "buyerGroups", group.id, "code")} label={say("codeToJoin")} optional />
            <Field
              path={setupPath("goods", "buyerGroups", group.id, "onRequest")}
              label={say("canAskToJoin")}
              choices={yesNoChoices}
              {...yesNo}
            />
          </div>
        ))}
      </section>
    </div>
  );
}
