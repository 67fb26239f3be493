import { useId } from "react";
import { Field } from "./Field";
import { begun } from "./named";
import { useRegions } from "./PlacesField";
import type { SetupPath } from "./paths";
import { say } from "./say";

/** A region of a country, read and typed by its name; codes are understood too. */
export function RegionField({ path, country }: { path: SetupPath; country: string }) {
  const regions = useRegions(country);
  const list = useId();
  return (
    <>
      <Field
        path={path}
        label={say("regionField")}
        placeholder={say("none")}
        note={say("taxHolidaysGoBy")}
        optional
        suggestions={list}
        write={(value) => regions.find((each) => each.id === value)?.name ?? String(value ?? "")}
        read={(text) => (text.trim() === "" ? undefined : (begun(regions, text)?.id ?? text))}
      />
      <datalist id={list}>
        {regions.map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
    </>
  );
}
