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
        assertThat(HoldPeriod.of(PLACED, true, paid(kind, null), ZONE)
                        .map(HoldPeriod::lapses)
                        .orElse(null))
                .isEqualTo(lapses);
        assertThat(HoldPeriod.of(PLACED, false, paid(kind, null), ZONE))
                .as("nothing is due")
                .isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Payment.Kind.class)
    void or_as_long_as_the_seller_says(Payment.Kind kind) {
        assertThat(held(36, kind).lapses()).isEqualTo(Instant.parse("2026-11-29T23:00:00Z"));
    }

    /** To the minute within a day, to midnight from a day on; summer time ends on 25 October 2026. */
    @ParameterizedTest
    @CsvSource({
        "2026-11-27T12:00:00Z, 23, 2026-11-28T11:00:00Z",
        "2026-11-27T12:00:00Z, 24, 2026-11-28T23:00:00Z",
        "2026-10-24T12:00:00Z, 24, 2026-10-25T23:00:00Z"
    })
    void the_day_that_is_told_is_there_whole(Instant placed, int hours, Instant lapses) {
        HoldPeriod held = HoldPeriod.of(placed, true, paid(Payment.Kind.TRANSFER, hours), ZONE)
                .orElseThrow();
        assertThat(held.lapses()).isEqualTo(lapses);
    }

    @Test
    void the_last_day_is_the_one_that_ends_when_it_lapses() {
        assertThat(HoldPeriod.lastDay(held(168, Payment.Kind.TRANSFER).lapses(), ZONE))
                .isEqualTo(LocalDate.of(2026, 12, 4));
    }

    /** Half-way, and never where the wait is shorter than a day and a half: our own choice. */
    @ParameterizedTest
    @CsvSource({"168, 2026-12-01T05:30:00Z", "36, 2026-11-28T17:30:00Z", "35, ", "1, "})
    void a_buyer_is_reminded_half_way(int hours, Instant reminded) {
        assertThat(held(hours, Payment.Kind.TRANSFER).reminder().orElse(null)).isEqualTo(reminded);
    }

    private static HoldPeriod held(int hours, Payment.Kind kind) {
        return HoldPeriod.of(PLACED, true, paid(kind, hours), ZONE).orElseThrow();
    }

    private static Payment.Method paid(Payment.Kind kind, Integer held) {
        return new Payment.Method(
                "way", kind, true, "Way", "", null, null, null, null, null, null, Optional.ofNullable(held));
    }
}
