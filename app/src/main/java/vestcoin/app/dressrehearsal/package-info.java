/**
 * The dress rehearsal. In: cells of the board. Out: practice orders of the draft that were placed, paid, sent and
 * partly given back in a shop of their own, step by step what held and what did not.
 */
package vestcoin.app.dressrehearsal;
