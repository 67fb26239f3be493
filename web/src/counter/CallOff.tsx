import { useState } from "react";
import { answer, api, type PlacedOrder, type Problem, problemsOf } from "../api/client";
import { Said } from "../shared/Said";
import { useSay } from "./phrases";

interface Props {
  order: PlacedOrder;
  language: string;
  fresh: (order: PlacedOrder) => void;
}

/** Calling an order off, as long as the shop lets its buyer: said once, then confirmed. */
export function CallOff({ order, language, fresh }: Props) {
  const say = useSay();
  const [sure, setSure] = useState(false);
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<Problem[]>([]);
  if (!order.callingOff) return null;
  const { until } = order.callingOff;
  const when = new Intl.DateTimeFormat(language, { dateStyle: "long", timeStyle: "short" });
  const callOff = async () => {
    setBusy(true);
    const call = { params: { path: { token: order.token } } };
    await answer(api.POST("/api/counter/orders/{token}/call-off", call)).then(fresh, (reason: unknown) =>
      setProblems(problemsOf(reason)),
    );
    setBusy(false);
  };
  return (
    <section className="mt-6" aria-label={say("callOff")}>
      {sure ? (
        <>
          <p className="mb-2">{say("callOffSure")}</p>
          <button type="button" className="btn btn-sm btn-error" disabled={busy} onClick={() => void callOff()}>
            {say("callOffYes")}
          </button>
          <button type="button" className="btn btn-sm btn-ghost ms-3" onClick={() => setSure(false)}>
            {say("callOffNo")}
          </button>
        </>
      ) : (
        <p>
          <button type="button" className="btn btn-sm" onClick={() => setSure(true)}>
            {say("callOff")}
          </button>
          <span className="ms-3 text-sm quiet">
            {until ? say("callOffUntil", { when: when.format(new Date(until)) }) : say("callOffUntilLeaves")}
          </span>
        </p>
      )}
      <Said problems={problems} />
    </section>
  );
}
