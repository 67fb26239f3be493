import { Said } from "../shared/Said";
import { say } from "../shared/say";
import { TextButton } from "../shared/TextButton";
import { usePractice } from "./usePractice";

/** Where a service would be needed: the simulated ones can be had with one press. */
export function PracticeOffer() {
  const { state, problems, start } = usePractice();
  if (!state || state.on) return null;
  return (
    <>
      <p className="mt-2 text-sm">
        {say("practiceOffered")} <TextButton onClick={() => void start()}>{say("practiceStart")}</TextButton>
      </p>
      <Said problems={problems} />
    </>
  );
}

/** Everywhere at the desk while they are on, where they can be switched off. */
export function PracticeMark() {
  const { state, stop } = usePractice();
  if (!state?.on || !state.switchable) return null;
  return (
    <details className="relative">
      <summary className="cursor-pointer list-none border-s-2 border-warning ps-2 text-sm">{say("practiceOn")}</summary>
      <div className="absolute end-0 bottom-full z-30 mb-2 w-72 border border-base-300 bg-base-100 p-3 text-sm shadow-xl">
        <p>
          {say("practiceMeans")}{" "}
          <a className="underline" href={`${state.url}/`} target="_blank" rel="noreferrer">
            {say("practiceLook")}
          </a>
        </p>
        <p className="mt-2">
          <TextButton onClick={() => void stop()}>{say("practiceStop")}</TextButton>
        </p>
        <p className="mt-1 text-xs quiet">{say("practiceStopMeans")}</p>
      </div>
    </details>
  );
}
