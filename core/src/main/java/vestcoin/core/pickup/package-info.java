/**
 * Goods the buyer collects, and goods the shop brings round itself. In: pickup places with hours, the instant, slots
 * already taken. Out: the slots still open, and the price of collecting. Knows {@code problem money why place calendar
 * goods parcel delivery}.
 */
package vestcoin.core.pickup;
