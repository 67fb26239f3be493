import { say } from "./say";
/** What a price may be brought to. */
export const endings = [
  { id: "", name: say("asComesOut") },
  { id: "whole", name: say("raisedToWhole") },
  { id: "ninety-five", name: say("raisedToNinetyFive") },
  { id: "ninety-nine", name: say("raisedToNinetyNine") },
  { id: "nearest-five", name: say("nearestFiveHundredths") },
];
