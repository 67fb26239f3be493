package vestcoin.core.life;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import vestcoin.core.payment.Payment;

/** How long an order waits for its money before it lapses. The spans are common practice, no source. */
public final class HoldPeriod {
    /** A shorter wait is not reminded of. */
    private static final Duration LEAST_REMINDED = Duration.ofHours(36);

    /** A shorter wait ends to the minute, a longer one with its day. */
    private static final Duration A_DAY = Duration.ofDays(1);

    private HoldPeriod() {}

    /** Where the seller says nothing, by the kind of the way to pay; nothing where it waits for any time. */
    private static Optional<Duration> usual(Payment.Kind kind) {
        return switch (kind) {
            case CARD, WALLET -> Optional.of(Duration.ofHours(1));
            case TRANSFER -> Optional.of(Duration.ofDays(7));
            case CHEQUE -> Optional.of(Duration.ofDays(14));
            case CASH_ON_DELIVERY, CASH_AT_PICKUP, ON_ACCOUNT -> Optional.empty();
        };
    }

    /** By the way it is paid, as the seller has set it. */
    private static Optional<Duration> of(Payment.Method method) {
        return method.held().map(Duration::ofHours).or(() -> usual(method.kind()));
    }

    /**
     * When an order paid in a way lapses; nothing where nothing is due, or it waits for any time. Who is told a day has
     * that day whole.
     *
     * @param zone of the shop, whose midnight ends a day
     */
    public static Optional<Instant> end(Instant placed, boolean due, Payment.Method method, ZoneId zone) {
        return of(method).filter(span -> due).map(span -> {
            Instant end = placed.plus(span);
            return span.compareTo(A_DAY) < 0
                    ? end
                    : LocalDate.ofInstant(end, zone)
                            .plusDays(1)
                            .atStartOfDay(zone)
                            .toInstant();
        });
    }

    /** The last day on which an order still waits. */
    public static LocalDate lastDay(Instant lapses, ZoneId zone) {
        return LocalDate.ofInstant(lapses.minusNanos(1), zone);
    }

    /**
     * When a buyer is reminded: half-way, where an order waits for days. Who has an hour needs no reminder.
     *
     * @param lapses when it lapses
     */
    public static Optional<Instant> reminder(Instant placed, Instant lapses) {
        Duration whole = Duration.between(placed, lapses);
        return whole.compareTo(LEAST_REMINDED) < 0 ? Optional.empty() : Optional.of(placed.plus(whole.dividedBy(2)));
    }
}
