package vestcoin.core.goods;

import vestcoin.core.why.Figure;

/**
 * A typed amount taken out of the home rate and put into the destination's: amount × to ÷ from.
 *
 * @param to   100 and the destination's rate, in percent
 * @param from 100 and the home rate, in percent
 */
public record Rerate(Figure to, Figure from) {}
