/**
 * What somebody asks for: goods with their choices, where they go, and what was chosen on the way to the till.
 *
 * <p>In: what was put together, at the counter, on the ticket, in a file or for a rehearsal. Out: the one form all of
 * them share; who buys, when, and what holds around it are added where an order is priced.
 */
package vestcoin.core.basket;
