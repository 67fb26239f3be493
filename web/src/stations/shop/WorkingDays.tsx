import { Field } from "../../shared/Field";
import { NotationField } from "../../shared/NotationField";
import { days } from "../../shared/notation/days";
import { time, weekdays } from "../../shared/notation/hours";
import { yesNo, yesNoChoices } from "../../shared/notation/plain";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";

/** The days the shop works: promises to buyers count by them. */
export function WorkingDays() {
  return (
    <details className="border-b border-base-300 pb-2">
      <summary className="cursor-pointer">{say("workingDaysHolidaysDaysOff")}</summary>
      <div className="mt-2 grid sm:grid-cols-2 gap-x-8 gap-y-3">
        <NotationField
          path={setupPath("shop", "working", "days")}
          label={say("shopWorksOn")}
          placeholder={weekdays.write(["monday", "tuesday", "wednesday", "thursday", "friday"])}
          notation={weekdays}
        />
        <Field
          path={setupPath("shop", "working", "cutOff")}
          label={say("ordersCountForNextDay")}
          placeholder={say("none")}
          note={say("notationExample", { text: say("cutOffPlaceholder") })}
          {...time}
        />
        <Field
          path={setupPath("shop", "working", "holidays")}
          label={say("closedOnPublicHolidays")}
          choices={yesNoChoices}
          note={say("thoseShopsCountryRegion")}
          {...yesNo}
        />
        <NotationField
          path={setupPath("shop", "working", "closed")}
          label={say("closedBesides")}
          placeholder={say("none")}
          notation={days}
        />
        <NotationField
          path={setupPath("shop", "working", "open")}
          label={say("openAllSame")}
          placeholder={say("none")}
          note={say("holidaySaturdayBeforeChristmas")}
          notation={days}
        />
      </div>
    </details>
  );
}
