/** Whether the public may buy from a shop: opening it, closing it, and who may come in while it is closed. */
package vestcoin.app.publishing;
