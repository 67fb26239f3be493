import { useEffect } from "react";
import { useActs, useBench, usePriced, useSpotlight } from "../../desk/bench";
import { Field } from "../../shared/Field";
import { Moves } from "../../shared/Moves";
import { say } from "../../shared/say";
import { Account } from "./Account";
import { kindOf } from "./kinds";
import { MethodFields } from "./MethodFields";

interface Props {
  id: string;
  open: boolean;
  toggle: () => void;
  unfold: () => void;
}

/** One way to pay, drawn as the buyer will choose it; unfolded, what is behind it. */
export function Method({ id, open, toggle, unfold }: Props) {
  const bench = useBench();
  const priced = usePriced();
  const acts = useActs();
  const { methods } = bench.setup.payment;
  const method = methods.find((each) => each.id === id);
  const path = `payment/methods/${id}`;
  const { wanted } = useSpotlight();
  const within = wanted.startsWith(`${path}/`) && !/\/(title|sentence)$/.test(wanted);
  useEffect(() => {
    if (within) unfold();
  }, [within, unfold]);
  if (!method) return null;
  const seen = priced?.methods.find((each) => each.id === id);
  const kind = kindOf(method.kind);
  const remove = () => void acts.commit([{ path, was: method }]);
  return (
    <li className="border-t border-base-content py-3" data-path={path} tabIndex={-1}>
      <div className={`flex items-start gap-3 ${method.on ? "" : "opacity-80"}`}>
        <span
          aria-hidden="true"
          className={`mt-1.5 h-4 w-4 shrink-0 rounded-full ${method.on ? "border-4 border-accent" : "border border-neutral"}`}
        />
        <div className="min-w-0 flex-1 text-base">
          <Field path={`${path}/title`} label={say("title", { id })} hideLabel className="font-semibold" />
          <Field
            path={`${path}/sentence`}
            label={say("oneSentence", { id })}
            hideLabel
            placeholder={say("onePlainSentenceOrNothing")}
          />
          <p className="mt-1 text-xs quiet">
            {!method.on
              ? say("off3")
              : seen?.hidden
                ? say("ticketsBuyerDoesNotSee", { hidden: seen.hidden })
                : say("ticketsBuyerSees")}
          </p>
        </div>
        <label className="flex cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="toggle toggle-sm"
            aria-label={say("on2", { title: method.title })}
            checked={method.on}
            onChange={(event) => void acts.set(`${path}/on`, event.target.checked)}
          />
          {method.on ? say("on3") : say("off4")}
        </label>
        <button type="button" className="btn btn-ghost btn-sm" aria-expanded={open} onClick={toggle}>
          {open ? say("fold") : say("unfold2")}
          <span className="sr-only"> {method.title}</span>
        </button>
      </div>
      {open && (
        <div className="ms-7 mt-3 grid gap-4">
          {kind?.provider && method.gateway && <Account gateway={method.gateway} provider={kind.provider} />}
          <MethodFields method={method} />
          <div className="flex gap-2">
            <Moves path={path} things={methods} of={say("forBuyer")} />
            <button type="button" className="btn btn-ghost btn-sm" onClick={remove}>
              {say("removeThisWayPay")}
            </button>
          </div>
        </div>
      )}
    </li>
  );
}
