/**
 * What a change of setup does to orders. In: two compiled setups, orders. Out: for each order every figure that
 * differs, with both values. Knows every package before it.
 */
package vestcoin.core.compare;
