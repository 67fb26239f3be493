/** A simulated register of businesses' tax numbers, down on demand. */
package vestcoin.standins.register;
