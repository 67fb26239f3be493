/** Files of goods that are not sent: kept, handed over with an order, fetched so often and so long. */
package vestcoin.app.download;
