/**
 * What is collected and what is brought round, by time. In: slots taken by orders. Out: a list, and an iCalendar feed
 * (RFC 5545) for the seller's own calendar.
 */
package vestcoin.app.booking;
