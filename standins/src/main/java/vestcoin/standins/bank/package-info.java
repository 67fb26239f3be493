/** A simulated bank: transfers to the shop and the statement file they stand on. */
package vestcoin.standins.bank;
