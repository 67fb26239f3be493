/**
 * What an order is priced with besides itself: rates of the day, carriers' answers, stock, slots taken, vouchers,
 * history. Gathered here once, for the ticket, the counter and the rehearsal alike.
 */
package vestcoin.app.context;
