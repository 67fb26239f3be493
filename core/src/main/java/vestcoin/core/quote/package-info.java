/**
 * A whole order, priced. In: a compiled setup, an order. Out: a quote in which every amount can be opened down to its
 * rule and operands. Puts the other packages in their order and adds up the totals; knows every package before it.
 */
package vestcoin.core.quote;
