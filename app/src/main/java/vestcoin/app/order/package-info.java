/** Orders as the seller meets them: the list, one order with its quote and payment life, capture and refund. */
package vestcoin.app.order;
