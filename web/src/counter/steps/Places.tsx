import type { ReactNode } from "react";
import { countryName } from "../../shared/places";
import { useSay } from "../phrases";

interface PlaceProps {
  value: string;
  onChange: (code: string) => void;
  autoComplete?: string;
  className?: string;
}

interface CountryProps extends PlaceProps {
  /** By code; shown by name, in the order of the language. */
  countries: string[];
  language: string;
  /** Told under it. */
  note?: ReactNode;
}

/** One of some countries. */
export function CountrySelect({ countries, language, value, onChange, autoComplete, className, note }: CountryProps) {
  const say = useSay();
  const named = countries
    .map((code) => ({ code, name: countryName(code, language) }))
    .sort((a, b) => a.name.localeCompare(b.name, language));
  return (
    <label className={className}>
      <span className="mb-1 block text-xs quiet">{say("country")}</span>
      <select
        className="select w-full"
        value={value}
        autoComplete={autoComplete}
        onChange={(event) => onChange(event.target.value)}
      >
        {named.map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
      {note && <span className="text-xs quiet">{note}</span>}
    </label>
  );
}

interface RegionProps extends PlaceProps {
  /** Code and name. */
  regions: [code: string, name: string][];
}

/** One of a country's regions; one has to be chosen. */
export function RegionSelect({ regions, value, onChange, autoComplete, className }: RegionProps) {
  const say = useSay();
  return (
    <label className={className}>
      <span className="mb-1 block text-xs quiet">{say("region")}</span>
      <select
        required
        className="select w-full text-base"
        value={value}
        autoComplete={autoComplete}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value="">{say("choose")}</option>
        {regions.map(([code, name]) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
