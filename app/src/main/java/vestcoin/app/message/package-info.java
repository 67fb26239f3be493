/**
 * What buyers are written: receipt, order news, refund. Written down before it is sent, sent until it is taken, once
 * each.
 */
package vestcoin.app.message;
