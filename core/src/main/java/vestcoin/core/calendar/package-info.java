/**
 * Days on which something holds, and days on which people work. In: windows of dates, the shop's working week, a
 * country and region. Out: whether a day counts, and the day so many working days later. Public holidays come from a
 * library. Knows {@code problem money why place}.
 */
package vestcoin.core.calendar;
