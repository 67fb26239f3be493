/**
 * What is left of goods that are counted. It changes with every order and with what the seller counts, at once: it
 * belongs to no draft and no edition.
 */
package vestcoin.app.stock;
