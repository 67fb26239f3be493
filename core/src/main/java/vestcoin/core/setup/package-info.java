/**
 * A whole setup as one value, checked and made ready for pricing.
 * In: the stations Shop, Goods, Delivery, Tax, Payment. Out: the same compiled into indexes, or all that is impossible in it.
 * Knows every station's package.
 */
package vestcoin.core.setup;
