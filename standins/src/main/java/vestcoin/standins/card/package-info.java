/**
 * A simulated card processor: keys, tokens, authorise, capture, void, refund, a strong-authentication page, signed
 * webhooks, test cards of our own and a control page.
 */
package vestcoin.standins.card;
