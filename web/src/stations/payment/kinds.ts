import type { Setup } from "../../api/client";
import { say } from "../../shared/say";

export type MethodSetup = Setup["payment"]["methods"][number];
export type Kind = MethodSetup["kind"];

export interface KindOf {
  id: Kind;
  title: string;
  sentence: string;
  /** The account it is paid through, by the name it is first given. */
  gateway?: string;
  provider?: "cards" | "wallet";
}

/** Ways to pay there are, with what a buyer reads until the seller says otherwise. */
export const kinds: KindOf[] = [
  { id: "card", title: say("card"), sentence: "", gateway: "cards", provider: "cards" },
  { id: "wallet", title: say("wallet"), sentence: "", gateway: "purse", provider: "wallet" },
  { id: "transfer", title: say("bankTransfer"), sentence: say("sentWhenMoneyHasCome") },
  { id: "cash-on-delivery", title: say("cashOnDelivery"), sentence: "" },
  { id: "cash-at-pickup", title: say("cashWhenYouCollect"), sentence: "" },
  { id: "cheque", title: say("cheque"), sentence: say("sentWhenHasCleared") },
  { id: "on-account", title: say("onAccount"), sentence: "" },
];

export const kindOf = (id: Kind): KindOf | undefined => kinds.find((kind) => kind.id === id);
