import { rekeep } from "./basket";

/** Whether the counter is open in place, on a page of another site. */
export const inPlace = window.parent !== window;

/** The page of another site that led here, as its address says, or the site at least. */
export const pageBefore = (search: URLSearchParams): string => search.get("page") ?? document.referrer;

/** That page, if it is on a site the shop lists: nobody else is led back to. */
export function listed(page: string, sites: string[]): string | undefined {
  return URL.canParse(page) && sites.includes(new URL(page).origin) ? page : undefined;
}

/** What a site is called: its host. */
export const siteName = (page: string): string => new URL(page).host;

/**
 * Goes to where an order is paid, such as a wallet's page, which is never within another page. A counter in place is
 * left that way and comes back to the order when its page is opened again.
 */
export function leaveToPay(shop: string, order: string, address: string): void {
  if (inPlace) rekeep(shop, { ordered: order });
  window.open(address, "_top");
}

const tell = (what: { height: number } | { begins: true }) => {
  if (inPlace) window.parent.postMessage(what, "*");
};

/** Tells the page around that another step begins, so that it shows its beginning. */
export const stepBegins = (): void => tell({ begins: true });

/** Tells the page around how high the counter is, whenever that changes. */
export function tellHeight(root: HTMLElement): void {
  if (!inPlace) return;
  document.documentElement.classList.add("in-place");
  new ResizeObserver(() => tell({ height: root.scrollHeight })).observe(root);
}
