/** The counter: what a buyer may see of a shop, a basket priced, an order placed and paid. */
package vestcoin.app.checkout;
