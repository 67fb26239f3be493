/** Simulated outside services, for the demo and the tests. They speak HTTP on loopback and know nothing of the shop. */
package vestcoin.standins;
