import type { RefObject } from "react";
import type { BuyerQuote, Counter, Problem } from "../../api/client";
import type { Kept } from "../basket";

/** What every step is given. */
export interface StepProps {
  counter: Counter;
  kept: Kept;
  change: (part: Partial<Kept>) => void;
  quote: BuyerQuote | undefined;
  heading: RefObject<HTMLHeadingElement | null>;
  problems: Problem[];
}
