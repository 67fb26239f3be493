/**
 * What is sold and what one line of it costs. In: products with options, lines of an order. Out: the unit price after
 * options, the line's amount and weight. Knows {@code problem money why place calendar}.
 */
package vestcoin.core.goods;
