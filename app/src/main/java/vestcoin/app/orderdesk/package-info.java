/** Orders as the seller reads and works them: the list, one order, and what can be done with it. */
package vestcoin.app.orderdesk;
