import { Field } from "../../shared/Field";
import { yesNo, yesNoChoices } from "../../shared/notations";
import { setupPath } from "../../shared/paths";
import { say } from "../../shared/say";

const names = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];
const short = (name: string) => name.slice(0, 3);

/** Days of the week as "mon tue wed". */
const weekdays = {
  write: (value: unknown) => (Array.isArray(value) ? value.map((day) => short(String(day))).join(" ") : ""),
  read: (text: string) =>
    text
      .toLowerCase()
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map((typed) => names.find((name) => name.startsWith(typed.slice(0, 3))) ?? typed),
};

interface Span {
  from?: string;
  to?: string;
}

/** Days and spans of days: "2026-12-24, 2026-12-27 to 2027-01-02". */
const days = {
  write: (value: unknown) =>
    Array.isArray(value)
      ? (value as Span[])
          .map(({ from, to }) => (from === to ? (from ?? "") : `${from ?? ""} to ${to ?? ""}`))
          .join(", ")
      : "",
  read: (text: string) =>
    text
      .split(/[,;]/)
      .map((part) => part.trim())
      .filter(Boolean)
      .map((part) => {
        const [from, to] = part.split(/\s+(?:to|until|–|-)\s+/);
        return { from, to: to ?? from };
      }),
};

/** The days the shop works: promises to buyers count by them. */
export function WorkingDays() {
  return (
    <details className="border-b border-base-300 pb-2">
      <summary className="cursor-pointer">{say("workingDaysHolidaysDaysOff")}</summary>
      <div className="mt-2 grid grid-cols-2 gap-x-8 gap-y-3">
        <Field
          path={setupPath("shop", "working", "days")}
          label={say("shopWorksOn")}
          placeholder={say("monTueWedThuFri")}
          {...weekdays}
        />
        <Field
          path={setupPath("shop", "working", "cutOff")}
          label={say("ordersCountForNextDay")}
          placeholder={say("cutOffPlaceholder")}
          optional
        />
        <Field
          path={setupPath("shop", "working", "holidays")}
          label={say("closedOnPublicHolidays")}
          choices={yesNoChoices}
          note={say("thoseShopsCountryRegion")}
          {...yesNo}
        />
        <Field
          path={setupPath("shop", "working", "closed")}
          label={say("closedBesides")}
          placeholder={say("none")}
          note={say("closedExample")}
          {...days}
        />
        <Field
          path={setupPath("shop", "working", "open")}
          label={say("openAllSame")}
          placeholder="2026-12-08"
          note={say("holidaySaturdayBeforeChristmas")}
          {...days}
        />
      </div>
    </details>
  );
}
