/**
 * Where an order goes, and which of several rules about places holds there. In: places as written in the setup
 * ({@code IE}, {@code US-NC}, {@code GB:BT}, {@code EU}), a destination. Out: the most specific rule, and those that
 * tie with it. Countries by ISO 3166-1, subdivisions by ISO 3166-2, continents by CLDR containment. Knows
 * {@code problem}.
 */
package vestcoin.core.place;
