import type { Problem } from "../../api/client";

interface TextProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  note?: string;
  type?: string;
  autoComplete: string;
  problem?: Problem | undefined;
  optional?: boolean;
  longest?: number;
}

/** A field of a buyer's own words. */
export function Text({
  label,
  value,
  onChange,
  note,
  type = "text",
  autoComplete,
  problem,
  optional,
  longest = 200,
}: TextProps) {
  return (
    <label className="mb-3 block flex-1">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <input
        required={!optional}
        type={type}
        autoComplete={autoComplete}
        maxLength={longest}
        className="input w-full text-base"
        value={value}
        aria-invalid={problem !== undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {problem ? (
        <span role="alert" className="text-error">
          {problem.sentence} {problem.remedy}
        </span>
      ) : (
        note && <span className="text-xs quiet">{note}</span>
      )}
    </label>
  );
}
