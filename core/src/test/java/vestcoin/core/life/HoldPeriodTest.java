package vestcoin.core.life;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import vestcoin.core.payment.Payment;

class HoldPeriodTest {
    private static final Instant PLACED = Instant.parse("2026-11-27T12:00:00Z");

    /** An hour ahead of UTC in winter, two in summer. */
    private static final ZoneId ZONE = ZoneId.of("Europe/Berlin");

    @ParameterizedTest
    @CsvSource({
        "CARD, 2026-11-27T13:00:00Z",
        "WALLET, 2026-11-27T13:00:00Z",
        "TRANSFER, 2026-12-04T23:00:00Z",
        "CHEQUE, 2026-12-11T23:00:00Z",
        "CASH_ON_DELIVERY, ",
        "CASH_AT_PICKUP, ",
        "ON_ACCOUNT, "
    })
    void an_order_waits_for_its_money_by_the_way_it_is_paid(Payment.Kind kind, Instant lapses) {
        assertThat(HoldPeriod.end(PLACED, true, paid(kind, null), ZONE).orElse(null))
                .isEqualTo(lapses);
        assertThat(HoldPeriod.end(PLACED, false, paid(kind, null), ZONE))
                .as("nothing is due")
                .isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Payment.Kind.class)
    void or_as_long_as_the_seller_says(Payment.Kind kind) {
        assertThat(HoldPeriod.end(PLACED, true, paid(kind, 36), ZONE)).contains(Instant.parse("2026-11-29T23:00:00Z"));
    }

    @Test
    void the_day_that_is_told_is_there_whole() {
        Instant lapses = HoldPeriod.end(PLACED, true, paid(Payment.Kind.TRANSFER, null), ZONE)
                .orElseThrow();
        assertThat(HoldPeriod.lastDay(lapses, ZONE)).isEqualTo(LocalDate.of(2026, 12, 4));
    }

    /** Half-way, and never where the wait is shorter than a day and a half: our own choice. */
    @ParameterizedTest
    @CsvSource({
        "2026-12-04T12:00:00Z, 2026-12-01T00:00:00Z",
        "2026-11-29T00:00:00Z, 2026-11-28T06:00:00Z",
        "2026-11-28T23:59:59Z, ",
        "2026-11-27T13:00:00Z, "
    })
    void a_buyer_is_reminded_half_way(Instant lapses, Instant reminded) {
        assertThat(HoldPeriod.reminder(PLACED, lapses).orElse(null)).isEqualTo(reminded);
    }

    private static Payment.Method paid(Payment.Kind kind, Integer held) {
        return new Payment.Method(
                "way", kind, true, "Way", "", null, null, null, null, null, null, Optional.ofNullable(held));
    }
}
