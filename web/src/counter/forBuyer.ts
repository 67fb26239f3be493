import { ofWindow } from "./storage";

const KEY = "forBuyersOf";

/** Whether somebody of the shop takes an order for a buyer in this window. It begins at the desk, with ?desk. */
export const forBuyer = (shop: string): boolean => ofWindow.getItem(KEY) === shop;

/** Begins it where the address says so. */
export function beginForBuyer(shop: string): void {
  if (new URLSearchParams(location.search).has("desk")) ofWindow.setItem(KEY, shop);
}

export const endForBuyer = (): void => ofWindow.removeItem(KEY);
