/**
 * Which ways to pay a buyer sees, and why not the others. In: the methods of the setup, the state of each gateway. Out:
 * each method seen or hidden, and what its provider takes. Knows {@code problem money why place goods tax}.
 */
package vestcoin.core.payment;
