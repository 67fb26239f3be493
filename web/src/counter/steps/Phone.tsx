import type { Counter } from "../../api/client";
import type { Kept } from "../basket";
import { useSay } from "../phrases";

interface Props {
  counter: Counter;
  kept: Kept;
  change: (part: Partial<Kept>) => void;
  /** Whether it has to be given. */
  compulsory: boolean;
}

const occasions = {
  placed: "toldPlaced",
  paid: "toldPaid",
  sent: "toldSent",
  ready: "toldReady",
  cancelled: "toldCancelled",
} as const;

/** The telephone number of where it goes, and what is told to it. */
export function Phone({ counter, kept, change, compulsory }: Props) {
  const say = useSay();
  // Of a gift its receiver is told, by the number of where it goes.
  const gift = counter.asking.gift && kept.gift;
  const told = counter.told.filter((each) => !gift || each === "sent" || each === "ready");
  return (
    <label className="mb-3 block">
      <span className="mb-1 block text-xs quiet">{say(compulsory ? "phone" : "phoneOptional")}</span>
      <input
        required={compulsory}
        type="tel"
        className="input w-full text-base"
        maxLength={30}
        autoComplete="tel"
        value={kept.phone}
        onChange={(event) => change({ phone: event.target.value })}
      />
      {told.length > 0 && (
        <span className="mt-1 block text-xs quiet">
          {say("phoneTold", { when: say.list(told.map((each) => say(occasions[each]))) })}
        </span>
      )}
    </label>
  );
}
