/** Bank statements read in, and the transfers on them matched to orders by reference and amount. Nothing is guessed. */
package vestcoin.app.statement;
