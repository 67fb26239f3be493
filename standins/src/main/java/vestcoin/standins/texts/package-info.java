/** The simulated service for short messages. */
package vestcoin.standins.texts;
