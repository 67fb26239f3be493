package vestcoin.core.life;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import vestcoin.core.payment.Payment;

/**
 * How long an order waits for its money. The usual spans are common practice, no source.
 *
 * @param lapses when it is called off by itself
 * @param reminder when its buyer is reminded, half-way; nothing where the wait is short
 */
public record HoldPeriod(Instant lapses, Optional<Instant> reminder) {
    /** A shorter wait ends to the minute, a longer one with its day. */
    private static final Duration A_DAY = Duration.ofDays(1);

    /** Of a shorter wait nobody is reminded. */
    private static final Duration LEAST_REMINDED = Duration.ofHours(36);

    /**
     * The wait of an order paid in a way; nothing where nothing is due, or it waits for any time. Who is told a day has
     * that day whole.
     *
     * @param zone of the shop, whose midnight ends a day
     */
    public static Optional<HoldPeriod> of(Instant placed, boolean due, Payment.Method method, ZoneId zone) {
        return method.held()
                .map(Duration::ofHours)
                .or(() -> usual(method.kind()))
                .filter(span -> due)
                .map(span -> of(placed, span, zone));
    }

    private static HoldPeriod of(Instant placed, Duration span, ZoneId zone) {
        Instant end = placed.plus(span);
        Instant lapses = span.compareTo(A_DAY) < 0
                ? end
                : LocalDate.ofInstant(end, zone).plusDays(1).atStartOfDay(zone).toInstant();
        return new HoldPeriod(
                lapses,
                span.compareTo(LEAST_REMINDED) < 0
                        ? Optional.empty()
                        : Optional.of(
                                placed.plus(Duration.between(placed, lapses).dividedBy(2))));
    }

    /** Where the seller says nothing, by the kind of the way to pay; nothing where it waits for any time. */
    public static Optional<Duration> usual(Payment.Kind kind) {
        return switch (kind) {
            case CARD, WALLET -> Optional.of(Duration.ofHours(1));
            case TRANSFER -> Optional.of(Duration.ofDays(7));
            case CHEQUE -> Optional.of(Duration.ofDays(14));
            case CASH_ON_DELIVERY, CASH_AT_PICKUP, ON_ACCOUNT -> Optional.empty();
        };
    }

    /** The last day on which an order still waits. */
    public static LocalDate lastDay(Instant lapses, ZoneId zone) {
        return LocalDate.ofInstant(lapses.minusNanos(1), zone);
    }
}
