import { useBench } from "../../desk/bench";
import { Said } from "../../shared/Said";
import { deskLocale, say } from "../../shared/say";
import { TextButton } from "../../shared/TextButton";
import { useWaiting } from "./useWaiting";

/** What is published at a time, by the shop's clock, until it is called off; what keeps it back is said. */
export function WaitingEdition() {
  const { setup } = useBench();
  const { edition, callOff } = useWaiting();
  if (!edition) return null;
  const at = new Intl.DateTimeFormat(deskLocale(), {
    dateStyle: "full",
    timeStyle: "short",
    timeZone: setup.shop.timeZone,
  }).format(new Date(edition.at));
  return (
    <section
      aria-label={say("waitingEdition")}
      className={`mt-4 max-w-2xl border-s-4 ps-3 ${edition.keptBack.length > 0 ? "border-error" : "border-accent"}`}
    >
      <p>
        {edition.keptBack.length > 0 ? say("editionKeptBack", { at }) : say("editionWaits", { at })}{" "}
        {edition.note && <span className="quiet">{edition.note}</span>}{" "}
        <TextButton onClick={() => void callOff()}>{say("callItOff")}</TextButton>
      </p>
      <Said problems={edition.keptBack} />
    </section>
  );
}
