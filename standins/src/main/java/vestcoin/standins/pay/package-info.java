/**
 * Simulated providers of payments: accounts, tokens, authorise, capture, void, refund, strong authentication, signed
 * webhooks, and test cards of our own.
 */
package vestcoin.standins.pay;
