/** The ticket: an order priced under the draft or an edition, as the desk and the command line show it. */
package vestcoin.app.quote;
