/** A simulated feed of exchange rates. */
package vestcoin.standins.rates;
