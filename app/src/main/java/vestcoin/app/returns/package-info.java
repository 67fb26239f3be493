/**
 * Buyers who withdraw from an order or ask to send something back, on the order's own page. In: which lines, and why if
 * they say so. Out: a row the seller sees at the order, letters to both, and what is owed for it.
 */
package vestcoin.app.returns;
