import { useActs, useBench, useMarks } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { IdsField } from "../../shared/IdsField";
import { answeredBy, kinds, severalAnswers } from "../../shared/notation/answers";
import { whole, yesNo, yesNoChoices } from "../../shared/notation/plain";
import { idFrom, setupPath, under } from "../../shared/paths";
import { say } from "../../shared/say";
import { waysOf } from "../../shared/ways";

const wantedChoices = [
  { id: "no", name: say("notAsked") },
  { id: "optional", name: say("askedNotCompulsory") },
  { id: "compulsory", name: say("askedCompulsory") },
];

/** What the counter asks besides name and address. Nothing of it changes a price. */
export function Asking() {
  const bench = useBench();
  const acts = useActs();
  const marks = useMarks();
  const { asking } = bench.setup.terms;
  const { ways } = waysOf(bench.setup);
  const add = () => {
    const id = idFrom(
      "field",
      asking.extras.map((extra) => extra.id),
    );
    void acts
      .set(setupPath("terms", "asking", "extras", id), {
        id,
        name: say("whatShouldBeTypedHere"),
        kind: "text",
        compulsory: false,
        answers: [],
      })
      .then((made) => made && marks.goTo(setupPath("terms", "asking", "extras", id, "name")));
  };
  return (
    <div className="max-w-4xl">
      <div className="grid gap-x-8 gap-y-3 md:grid-cols-3">
        <Field path={setupPath("terms", "asking", "note")} label={say("noteShop")} choices={yesNoChoices} {...yesNo} />
        <Field
          path={setupPath("terms", "asking", "gift")}
          label={say("ordersCanBeGifts")}
          choices={yesNoChoices}
          {...yesNo}
        />
        <Field
          path={setupPath("terms", "asking", "invoiceAddress")}
          label={say("invoiceAddressApart")}
          choices={yesNoChoices}
          {...yesNo}
        />
        <Field
          path={setupPath("terms", "asking", "paysWith")}
          label={say("cashBuyersSayWithWhat")}
          choices={yesNoChoices}
          {...yesNo}
        />
        <Field path={setupPath("terms", "asking", "company")} label={say("nameOfCompany")} choices={wantedChoices} />
        <Field path={setupPath("terms", "asking", "phone")} label={say("telephoneNumber")} choices={wantedChoices} />
        <IdsField
          path={setupPath("terms", "asking", "companyWith")}
          label={say("companyCompulsoryWith")}
          things={ways}
          empty={say("noWay")}
        />
        <IdsField
          path={setupPath("terms", "asking", "phoneWith")}
          label={say("phoneCompulsoryWith")}
          things={ways}
          empty={say("noWay")}
        />
        <Field
          path={setupPath("terms", "asking", "withoutCodes")}
          label={say("fieldForCodesVouchersLeft")}
          choices={yesNoChoices}
          {...yesNo}
        />
        <Field
          path={setupPath("terms", "asking", "signIn")}
          label={say("onlyBuyersSignedByMailed")}
          choices={yesNoChoices}
          note={say("goodCheckoutLetsPeopleWithout")}
          {...yesNo}
        />
        <Field
          path={setupPath("terms", "asking", "leastAge")}
          label={say("buyersConfirmBeAtLeast")}
          placeholder={say("noAgeAsked")}
          {...whole}
        />
        <Field
          path={setupPath("terms", "asking", "remindAfter")}
          label={say("hoursUntilLeftBasketReminded")}
          placeholder={say("noReminders")}
          note={say("onceOnlyBuyersWhoTick")}
          {...whole}
        />
        {asking.remindAfter != null && (
          <Field
            path={setupPath("terms", "asking", "remindWith")}
            label={say("remindWith")}
            choices={[
              { id: "", name: say("remindWithNothing") },
              ...bench.setup.discounts.rules
                .filter((rule) => rule.code != null)
                .map((rule) => ({ id: rule.id, name: rule.name })),
            ]}
            note={say("remindWithNote")}
            write={(value) => (value as { discount?: string } | undefined)?.discount ?? ""}
            read={(chosen) => (chosen ? { discount: chosen, days: asking.remindWith?.days ?? 7 } : undefined)}
          />
        )}
        {asking.remindWith && (
          <Field path={setupPath("terms", "asking", "remindWith", "days")} label={say("remindWithDays")} {...whole} />
        )}
      </div>
      <h3 className="mt-4 text-sm">{say("fieldsYourOwn")}</h3>
      {asking.extras.length === 0 && <p className="quiet">{say("noneEveryFieldAskedFor")}</p>}
      {asking.extras.map((extra) => {
        const path = setupPath("terms", "asking", "extras", extra.id);
        return (
          <div
            key={extra.id}
            className="mt-1 grid grid-cols-2 items-end gap-x-4 gap-y-1 md:grid-cols-[2fr_1.2fr_1.6fr_0.8fr_auto]"
          >
            <Field path={under(path)("name")} label={say("whatAsked")} />
            <Field path={path} label={say("answeredBy")} choices={kinds} {...answeredBy(extra)} />
            {extra.kind === "one-of" ? (
              <Field
                path={under(path)("answers")}
                label={say("severalAre")}
                placeholder={say("severalExample")}
                {...severalAnswers(extra.answers)}
              />
            ) : extra.kind === "text" ? (
              <Field path={under(path)("most")} label={say("mostCharacters")} placeholder="200" {...whole} />
            ) : (
              <span className="max-md:hidden" />
            )}
            <Field path={under(path)("compulsory")} label={say("compulsory")} choices={yesNoChoices} {...yesNo} />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              aria-label={say("removeNamed", { name: extra.name })}
              onClick={() => void acts.set(path, undefined)}
            >
              {say("removeIt")}
            </button>
          </div>
        );
      })}
      <button type="button" className="mt-2 cursor-pointer text-sm underline" onClick={add}>
        {say("addField")}
      </button>
      <h3 className="mt-4 text-sm">{say("offeredWithOrders")}</h3>
      <div className="max-w-2xl">
        <IdsField
          path={setupPath("terms", "asking", "offered")}
          label={say("offeredGoods")}
          things={bench.setup.goods.products}
          empty={say("nothingOffered")}
        />
        <p className="mt-1 text-xs quiet">{say("offeredNote")}</p>
      </div>
    </div>
  );
}
