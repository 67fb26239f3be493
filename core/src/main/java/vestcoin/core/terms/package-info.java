/**
 * What buyer and seller agree to. In: facts (days, who pays, addresses) and texts by language. Out: the same as one
 * value, for the checkout and for findings. Knows {@code problem money why place}.
 */
package vestcoin.core.terms;
