import { useQuery } from "@tanstack/react-query";
import { useEffect, useId, useState } from "react";
import { answer, api } from "../../api/client";

interface Props {
  shop: string;
  country: string;
  label: string;
  value: string;
  autoComplete: string;
  write: (street: string) => void;
  /** Takes a whole address that was proposed. */
  take: (address: { street: string; postcode: string; city: string; region: string }) => void;
}

const shortest = 3;
const pause = 200;

/** The street of an address, with addresses proposed as one types where a finder is connected; else it stays silent. */
export function Street({ shop, country, label, value, autoComplete, write, take }: Props) {
  const list = useId();
  const [asked, setAsked] = useState("");
  useEffect(() => {
    const waiting = setTimeout(() => setAsked(value.trim()), pause);
    return () => clearTimeout(waiting);
  }, [value]);
  const found = useQuery({
    queryKey: ["addresses", shop, country, asked],
    queryFn: () =>
      answer(
        api.GET("/api/counter/{shop}/addresses", { params: { path: { shop }, query: { country, text: asked } } }),
      ).catch(() => []),
    enabled: asked.length >= shortest,
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const proposals = (found.data ?? []).map((each) => ({
    ...each,
    line: [each.street, `${each.postcode} ${each.city}`.trim()].join(", "),
  }));
  const typed = (text: string) => {
    const taken = proposals.find((each) => each.line === text);
    if (taken) take({ street: taken.street, postcode: taken.postcode, city: taken.city, region: taken.region });
    else write(text);
  };
  return (
    <label className="mb-3 block flex-1">
      <span className="mb-1 block text-xs quiet">{label}</span>
      <input
        required
        className="input w-full text-base"
        maxLength={200}
        autoComplete={autoComplete}
        list={proposals.length > 0 ? list : undefined}
        value={value}
        onChange={(event) => typed(event.target.value)}
      />
      <datalist id={list}>
        {proposals.map(({ line }) => (
          <option key={line} value={line} />
        ))}
      </datalist>
    </label>
  );
}
