/**
 * Buyers who come back: signing in by a mailed link, their own orders and addresses, and one reminder of a basket they
 * left, if they asked for it. Everybody can buy without any of it.
 */
package vestcoin.app.buyer;
