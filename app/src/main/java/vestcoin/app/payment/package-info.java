/** Being paid: accounts with providers, the life of a payment, webhooks, and asking after what a crash left open. */
package vestcoin.app.payment;
