import type { Setup } from "../../api/client";

export type MethodSetup = Setup["payment"]["methods"][number];
export type Kind = MethodSetup["kind"];

interface KindOf {
  id: Kind;
  title: string;
  sentence: string;
  /** The account it is paid through, by the name it is first given. */
  gateway?: string;
  provider?: "cards" | "wallet";
}

/** Ways to pay there are, with what a buyer reads until the seller says otherwise. */
export const kinds: KindOf[] = [
  { id: "card", title: "Card", sentence: "", gateway: "cards", provider: "cards" },
  { id: "wallet", title: "Wallet", sentence: "", gateway: "purse", provider: "wallet" },
  { id: "transfer", title: "Bank transfer", sentence: "Sent when the money has come." },
  { id: "cash-on-delivery", title: "Cash on delivery", sentence: "" },
  { id: "cash-at-pickup", title: "Cash when you collect", sentence: "" },
  { id: "cheque", title: "Cheque", sentence: "Sent when it has cleared." },
  { id: "on-account", title: "On account", sentence: "" },
];

export const kindOf = (id: Kind): KindOf | undefined => kinds.find((kind) => kind.id === id);
