import { useState } from "react";
import type { Setup } from "../../api/client";
import { useActs, useMarks } from "../../desk/bench";
import { plain } from "../../shared/money";
import { figure, stored } from "../../shared/notation/figures";
import type { SetupPath } from "../../shared/paths";
import { say } from "../../shared/say";

type Rate = Setup["tax"]["places"][number]["rates"][string];
type Levy = Rate["components"][number];

/** What a levy is called until somebody says otherwise. */
const USUAL = "VAT";

/** A rate of the tax book taken apart: each levy by its name, its percentage, and what it is levied on. */
export function RateFields({ path, rate }: { path: SetupPath; rate: Rate | undefined }) {
  const acts = useActs();
  const marks = useMarks();
  const levies: Levy[] = rate?.components ?? [];
  // A levy that is being written is kept once it has a percentage.
  const [fresh, setFresh] = useState({ name: "", percent: "", onOthers: false } as Levy);
  const keep = (at: number, part: Partial<Levy>) => {
    if (at === levies.length) {
      setFresh({ ...fresh, ...part });
      if (!String(part.percent ?? fresh.percent).trim()) return;
    }
    const components = [...levies, fresh]
      .map((levy, index) => (index === at ? { ...levy, ...part } : levy))
      .filter((levy) => String(levy.percent).trim() !== "")
      .map((levy) => ({ ...levy, name: levy.name.trim() || levies[0]?.name || USUAL }));
    void acts.set(path, components.length > 0 ? { components } : undefined);
  };
  const input = (label: string, value: string, wide: string, change: (text: string) => void) => (
    <input
      key={`${label} ${value}`}
      className={`inplace text-xs ${wide}`}
      aria-label={label}
      defaultValue={value}
      onFocus={() => marks.setAt(path)}
      onBlur={(event) => event.target.value !== value && change(event.target.value)}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
    />
  );
  return (
    <div className="mb-2 text-xs">
      <p className="quiet">
        {levies
          .map((levy) =>
            say(levy.onOthers ? "levyOnThoseBeforeSaid" : "levySaid", {
              name: levy.name,
              percent: figure(plain(String(levy.percent))),
            }),
          )
          .join(" ")}
      </p>
      {[...levies, fresh].map((levy, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a levy is its place in the rate
        <span key={at} className="mt-1 flex flex-wrap items-baseline gap-2">
          {input(say("levyName", { at: at + 1 }), levy.name, "w-24", (name) => keep(at, { name }))}
          {input(say("levyPercent", { at: at + 1 }), figure(plain(String(levy.percent))), "w-16 font-mono", (percent) =>
            keep(at, { percent: stored(percent) }),
          )}
          <span className="quiet">%</span>
          {at > 0 && (
            <select
              className="inplace"
              aria-label={say("levyOn", { at: at + 1 })}
              value={levy.onOthers ? "others" : "price"}
              onChange={(event) => keep(at, { onOthers: event.target.value === "others" })}
            >
              <option value="price">{say("ofThePrice")}</option>
              <option value="others">{say("ofThePriceAndThoseBefore")}</option>
            </select>
          )}
        </span>
      ))}
    </div>
  );
}
