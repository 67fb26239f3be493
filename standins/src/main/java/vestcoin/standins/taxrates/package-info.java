/** A simulated service that knows the tax rates of an address. */
package vestcoin.standins.taxrates;
