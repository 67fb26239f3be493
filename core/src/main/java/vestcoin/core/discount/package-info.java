/**
 * What is taken off. In: the discounts of the setup, codes typed, priced lines, what the buyer has done before. Out:
 * one reduction a discount, shared over the lines it is for, and the reason for each that does not apply. Knows
 * {@code problem money why place goods}.
 */
package vestcoin.core.discount;
