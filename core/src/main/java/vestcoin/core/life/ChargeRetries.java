package vestcoin.core.life;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * When a charge that a card did not pay is tried again: one, three and five days after it was first declined, and then
 * no more. Common practice, no source.
 */
public final class ChargeRetries {
    private static final List<Integer> DAYS_AFTER = List.of(1, 3, 5);

    private ChargeRetries() {}

    /**
     * The day of the next try; nothing when all were made.
     *
     * @param tries that were declined so far, from 1
     */
    public static Optional<LocalDate> next(LocalDate firstDeclined, int tries) {
        return tries <= DAYS_AFTER.size()
                ? Optional.of(firstDeclined.plusDays(DAYS_AFTER.get(tries - 1)))
                : Optional.empty();
    }
}
