/**
 * A setup tried on many orders at once. In: a compiled setup, sample orders, places, pinned figures. Out: what each
 * order comes to at each place, and which pinned figures have moved. Nothing here has a rule of pricing of its own.
 * Knows every package before it.
 */
package vestcoin.core.rehearsal;
