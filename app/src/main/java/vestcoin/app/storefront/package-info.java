/**
 * A shop as a plain page of the web: what it says, when one can collect, what delivery costs. In: the live edition.
 * Out: one page of HTML that needs no script, with the same as schema.org data for search engines.
 */
package vestcoin.app.storefront;
