import type { QuoteView } from "../../api/client";
import { useActs } from "../../desk/bench";
import { setupPath, under } from "../../shared/paths";
import { SewingButton } from "../../shared/SewingButton";
import { say } from "../../shared/say";
import type { MethodSetup } from "./kinds";
import { Route } from "./Route";

interface Props {
  method: MethodSetup;
  seen: QuoteView["methods"][number] | undefined;
  connected: boolean;
  chosen: boolean;
  choose: () => void;
}

/** One way to pay: sewn on or off, as the buyer reads it, and the way its money takes. */
export function Way({ method, seen, connected, chosen, choose }: Props) {
  const acts = useActs();
  const path = setupPath("payment", "methods", method.id);
  const whole = method.on && connected && seen !== undefined && !seen.hidden;
  const note = !method.on ? say("offSentence") : !connected ? say("lineBrokenAtAccount") : seen?.hidden;
  return (
    <li
      data-path={path}
      tabIndex={-1}
      className="grid grid-cols-1 border-b border-base-300 sm:grid-cols-[18rem_1fr]"
      aria-current={chosen || undefined}
    >
      <div className={`flex items-start gap-3 py-2 pe-3 ${chosen ? "lit" : ""}`}>
        <button
          type="button"
          className="mt-0.5 cursor-pointer"
          aria-label={say("onNamed", { title: method.title })}
          aria-pressed={method.on}
          onClick={() => void acts.set(under(path)("on"), !method.on)}
        >
          <SewingButton state={!method.on ? "empty" : whole ? "sewn" : "half"} />
        </button>
        <button
          type="button"
          className="min-w-0 flex-1 cursor-pointer text-start"
          aria-expanded={chosen}
          onClick={choose}
        >
          <span className="block font-semibold">{method.title || say("noTitleYet")}</span>
          {method.sentence && <span className="block truncate text-sm">{method.sentence}</span>}
          <span className="block text-xs quiet">{note ?? say("ticketsBuyerSees")}</span>
        </button>
      </div>
      <div className="way max-sm:hidden">
        <Route method={method} seen={seen} connected={connected} />
      </div>
    </li>
  );
}
