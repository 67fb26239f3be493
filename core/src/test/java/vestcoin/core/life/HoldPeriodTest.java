package vestcoin.core.life;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.payment.Payment;

class HoldPeriodTest {
    private static final Instant PLACED = Instant.parse("2026-11-27T12:00:00Z");

    @ParameterizedTest
    @CsvSource({
        "CARD, 2026-11-27T13:00:00Z",
        "WALLET, 2026-11-27T13:00:00Z",
        "TRANSFER, 2026-12-04T12:00:00Z",
        "CHEQUE, 2026-12-11T12:00:00Z",
        "CASH_ON_DELIVERY, ",
        "CASH_AT_PICKUP, ",
        "ON_ACCOUNT, "
    })
    void an_order_waits_for_its_money_by_the_way_it_is_paid(Payment.Kind kind, Instant lapses) {
        assertThat(HoldPeriod.end(PLACED, true, kind).orElse(null)).isEqualTo(lapses);
        assertThat(HoldPeriod.end(PLACED, false, kind)).as("nothing is due").isEmpty();
    }
}
