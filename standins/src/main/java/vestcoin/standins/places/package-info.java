/** A simulated finder of addresses: where a postcode lies on the map. */
package vestcoin.standins.places;
