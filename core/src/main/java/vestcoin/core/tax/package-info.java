/**
 * Which tax an order bears and how much. In: the tax book (rates by place and category), a destination, the amounts of
 * an order. Out: one amount a tax group and component, rounded once and shared out over what bears it. Knows
 * {@code problem money why place calendar goods}.
 */
package vestcoin.core.tax;
