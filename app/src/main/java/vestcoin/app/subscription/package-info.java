/** What is charged again: subscriptions, their dates, and what became of each. */
package vestcoin.app.subscription;
