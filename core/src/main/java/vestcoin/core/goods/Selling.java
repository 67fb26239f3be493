package vestcoin.core.goods;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Whether something can be had, besides how many there are of it.
 *
 * @param state whatever the day
 * @param from the first day it can be had, on the shop's clock; until then it is shown with that day
 */
public record Selling(State state, Optional<LocalDate> from) {
    /** On sale as usual. */
    public static final Selling USUAL = new Selling(State.ON_SALE, Optional.empty());

    /** Hidden: not listed, but whoever has a link to it can buy it. Sold out: listed, and nobody can. */
    public enum State {
        ON_SALE,
        HIDDEN,
        SOLD_OUT
    }

    public Selling {
        state = state == null ? State.ON_SALE : state;
        from = from == null ? Optional.empty() : from;
    }

    /** Whether it is listed. */
    public boolean listed() {
        return state != State.HIDDEN;
    }

    /** The day from which it can be had, where that is still to come. @param today on the shop's clock */
    public Optional<LocalDate> notBefore(LocalDate today) {
        return state == State.SOLD_OUT ? Optional.empty() : from.filter(today::isBefore);
    }
}
