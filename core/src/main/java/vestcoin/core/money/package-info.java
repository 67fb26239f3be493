/**
 * Money as exact decimals of a currency's minor unit. In: amounts, weights of a sharing, a rounding. Out: rounded
 * amounts, parts that add up to their whole. Currencies are Joda-Money's, with the digits of ISO 4217. Knows only
 * {@code problem}.
 */
package vestcoin.core.money;
