package vestcoin.core.goods;

import java.util.List;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/**
 * A typed amount taken out of one rate and put into another: amount × to ÷ from.
 *
 * @param to 100 and the rate this buyer bears, in percent
 * @param from 100 and the home rate, in percent
 * @param words whose rate it becomes
 */
public record Rerate(Figure to, Figure from, Message words) {
    /** Rounded once, by the shop's rounding. */
    public Figure of(Figure amount, Tracer tracer) {
        return tracer.ratio("rule/rerated", words, List.of(amount, to), List.of(from));
    }

    /** An amount of the shop's currency, converted in the same step. */
    Figure converted(Figure shops, Tracer tracer) {
        return tracer.rerated("rule/rerated", words, shops, to, from);
    }
}
