/**
 * Vest Coin as a web application: storage, HTTP, checkout, payments, files, the command line. Cut by what people do.
 */
package vestcoin.app;
