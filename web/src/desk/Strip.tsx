import { useRef } from "react";
import type { Finding } from "../api/client";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { useBench, useMarks, useSpotlight } from "./bench";
import { Findings } from "./Findings";
import { PracticeMark } from "./PracticeOffer";
import { TimePassing } from "./TimePassing";

/** How many leading steps two paths share. */
function nearness(finding: Finding, at: string): number {
  const a = finding.path.split("/");
  const b = at.split("/");
  let n = 0;
  while (n < a.length && a[n] === b[n]) n++;
  return n;
}

/** The strip of findings: how many, and the sentence of the one nearest to the cursor. */
export function Strip({ showKeys, showTicket }: { showKeys: () => void; showTicket: () => void }) {
  const bench = useBench();
  const spotlight = useSpotlight();
  const marks = useMarks();
  const all = useRef<HTMLDialogElement>(null);
  const { findings } = bench.draft;
  const open = findings.filter((finding) => finding.severity !== "meant");
  const blocking = findings.filter((finding) => finding.severity === "blocks-opening").length;
  const looking = findings.filter((finding) => finding.severity === "look-at-this").length;
  const nearest = [...open].sort((a, b) => nearness(b, spotlight.at) - nearness(a, spotlight.at))[0];
  return (
    <footer className="flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-base-300 px-5 py-2">
      {findings.length > 0 && (
        <button
          type="button"
          className="flex cursor-pointer gap-5 font-semibold"
          onClick={() => all.current?.showModal()}
        >
          {blocking > 0 && <span className="text-error underline">{say("againstOpening", { blocking })}</span>}
          {blocking + looking === 0 && <span className="underline quiet">{say("whatIsMeant")}</span>}
          {looking > 0 && <span className="text-warning underline">{say("lookAt", { looking })}</span>}
        </button>
      )}
      <Findings dialog={all} />
      {nearest ? (
        <span className="min-w-0 flex-1 truncate" title={`${nearest.sentence} ${nearest.remedy}`}>
          {nearest.sentence} {nearest.remedy}{" "}
          <TextButton onClick={() => marks.goTo(nearest.path)}>{say("goThere")}</TextButton>
        </span>
      ) : (
        <span className="flex-1 quiet">{say("nothingMissingAtTheseStations")}</span>
      )}
      <PracticeMark />
      <TimePassing />
      <button type="button" className="cursor-pointer lg:hidden" onClick={showTicket}>
        {say("ticketButton")}
      </button>
      <button type="button" className="cursor-pointer quiet" onClick={showKeys}>
        <kbd className="kbd kbd-xs">?</kbd> {say("keyboard")}
      </button>
    </footer>
  );
}
