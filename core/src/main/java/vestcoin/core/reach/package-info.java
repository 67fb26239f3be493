/**
 * The same basket to many places. In: a compiled setup, a basket, places. Out: for each what it costs there, or what is
 * missing. Knows every package before it.
 */
package vestcoin.core.reach;
