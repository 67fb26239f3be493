/**
 * A whole setup as one value, checked and made ready for pricing. In: the stations of a setup. Out: the same compiled
 * into indexes, or all that is impossible in it. Knows every package of a station.
 */
package vestcoin.core.setup;
