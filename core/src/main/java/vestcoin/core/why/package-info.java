/**
 * The why of every amount. In: typed amounts and numbers. Out: {@link vestcoin.core.why.Figure}s that remember rule,
 * operands, operation and rounding, and give the same value when replayed. Knows {@code problem} and {@code money}.
 */
package vestcoin.core.why;
