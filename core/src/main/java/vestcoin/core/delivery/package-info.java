/**
 * How an order reaches the buyer and what that costs. In: zones, options and a rule for each pair; a destination, a
 * weight, a value and a quantity. Out: for each option a price, or the reason why it is not offered. Knows
 * {@code problem money why place goods}.
 */
package vestcoin.core.delivery;
