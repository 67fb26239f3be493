/**
 * Orders as a shop like this one takes them, made up. In: a compiled setup, a seed, a span of time. Out: the same
 * orders for the same three, to try, measure and show with. Knows every package before it.
 */
package vestcoin.core.sample;
