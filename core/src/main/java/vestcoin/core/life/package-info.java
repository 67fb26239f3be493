/**
 * The life of an order after it is placed: what its payments' states lead to, how far its money is, what a sending
 * captures, when a paper is due, what a transfer that came in is. In: states and amounts in minor units. Out: what may
 * follow. Pure: whoever stores, asks and tells does so by these answers.
 */
package vestcoin.core.life;
