import { useActs, useBench, useMarks } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { IdsField } from "../../shared/IdsField";
import { idFrom, setupPath } from "../../shared/paths";
import { say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";

const events = [
  { id: "placed", name: say("noticePlaced") },
  { id: "stopped", name: say("noticeStopped") },
  { id: "renewals", name: say("noticeRenewals") },
  { id: "stock", name: say("noticeStock") },
  { id: "disputes", name: say("noticeDisputes") },
  { id: "groups", name: say("noticeGroups") },
];

/** Who on the seller's side is written to, and of what. Without a row it is the shop's own address. */
export function SellerNotices() {
  const bench = useBench();
  const acts = useActs();
  const marks = useMarks();
  const { notices } = bench.setup.terms;
  const add = () => {
    const id = idFrom(
      "notice",
      notices.map((notice) => notice.id),
    );
    void acts
      .set(setupPath("terms", "notices", id), { id, email: bench.setup.shop.email || say("anAddress"), events: [] })
      .then((made) => made && marks.goTo(setupPath("terms", "notices", id, "email")));
  };
  return (
    <section aria-label={say("whoIsWrittenTo")} className="mb-5 max-w-4xl">
      <h3 className="text-sm">{say("whoIsWrittenTo")}</h3>
      {notices.length === 0 && (
        <p className="quiet">
          {bench.setup.shop.email ? say("allGoesTo", { email: bench.setup.shop.email }) : say("nobodyIsWrittenTo")}
        </p>
      )}
      {notices.map((notice) => (
        <div key={notice.id} className="mt-1 grid grid-cols-[1fr_2fr_auto] items-end gap-x-4">
          <Field path={setupPath("terms", "notices", notice.id, "email")} label={say("email")} />
          <IdsField
            path={setupPath("terms", "notices", notice.id, "events")}
            label={say("ofWhat")}
            things={events}
            empty={say("ofEverything")}
          />
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            aria-label={say("removeNamed", { name: notice.email })}
            onClick={() => void acts.set(setupPath("terms", "notices", notice.id), undefined)}
          >
            {say("removeIt")}
          </button>
        </div>
      ))}
      <TextButton onClick={add}>{say("addAddress")}</TextButton>
    </section>
  );
}
