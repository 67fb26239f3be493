/** Files in and out: the JSON of setup, order and quote, and the schemas that describe it. */
package vestcoin.app.format;
