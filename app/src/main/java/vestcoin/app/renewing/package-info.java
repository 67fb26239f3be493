/** Subscriptions as buyers and sellers see them, and what they do with them. */
package vestcoin.app.renewing;
