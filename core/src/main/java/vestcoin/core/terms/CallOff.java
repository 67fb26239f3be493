package vestcoin.core.terms;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * How long a buyer can call an order off on its page, without a reason, and have everything back: as the shop grants
 * it, besides what the law gives.
 *
 * @param hours from when it was placed; until anything of it leaves without them
 */
public record CallOff(Optional<Integer> hours) {
    public CallOff {
        hours = hours == null ? Optional.empty() : hours;
    }

    /** The instant from which it can no longer be called off, where there is one. */
    public Optional<Instant> until(Instant placed) {
        return hours.map(each -> placed.plus(Duration.ofHours(each)));
    }

    /** Whether it can be called off now. @param left whether anything of it has left */
    public boolean open(Instant placed, boolean left, Instant now) {
        return !left && until(placed).map(now::isBefore).orElse(true);
    }
}
