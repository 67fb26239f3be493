/** A simulated carrier: prices for parcels, slow, failing or refusing on demand. */
package vestcoin.standins.carrier;
