import { say } from "./say";
/** What a price may be brought to. */
export const endings = [
  { id: "", name: say("asComesOut") },
  { id: "whole", name: say("raised00") },
  { id: "ninety-five", name: say("raised95") },
  { id: "ninety-nine", name: say("raised99") },
  { id: "nearest-five", name: say("nearest005") },
];
