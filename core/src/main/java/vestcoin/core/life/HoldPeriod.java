package vestcoin.core.life;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import vestcoin.core.payment.Payment;

/** How long an order waits for its money before it lapses. The spans are common practice, no source. */
public final class HoldPeriod {
    private HoldPeriod() {}

    /** By the way it is paid; nothing where it waits for any time. */
    public static Optional<Duration> of(Payment.Kind kind) {
        return switch (kind) {
            case CARD, WALLET -> Optional.of(Duration.ofHours(1));
            case TRANSFER -> Optional.of(Duration.ofDays(7));
            case CHEQUE -> Optional.of(Duration.ofDays(14));
            case CASH_ON_DELIVERY, CASH_AT_PICKUP, ON_ACCOUNT -> Optional.empty();
        };
    }

    /** When an order placed at an instant lapses; nothing where nothing is due, or it waits for any time. */
    public static Optional<Instant> end(Instant placed, boolean due, Payment.Kind kind) {
        return due ? of(kind).map(placed::plus) : Optional.empty();
    }
}
