/**
 * What an order is invoiced as, and what a refund credits. In: a quote. Out: one bill for each country whose tax the
 * order bears and one for what is outside of tax, with exact sums; credits that leave nothing over. Knows every package
 * before it.
 */
package vestcoin.core.invoice;
