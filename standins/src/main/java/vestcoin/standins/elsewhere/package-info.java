/**
 * A web site that is not the shop's own, to try links and pieces of HTML on. In: HTML as a seller would paste it. Out:
 * a page with it.
 */
package vestcoin.standins.elsewhere;
