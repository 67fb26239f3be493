package vestcoin.core.terms;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class CallOffTest {
    private static final Instant PLACED = Instant.parse("2026-11-28T10:00:00Z");

    @Test
    void an_order_is_called_off_within_its_hours_or_until_it_leaves() {
        CallOff day = new CallOff(Optional.of(24));
        assertThat(day.open(PLACED, false, Instant.parse("2026-11-29T09:59:59Z")))
                .isTrue();
        assertThat(day.open(PLACED, false, Instant.parse("2026-11-29T10:00:00Z")))
                .isFalse();
        assertThat(day.open(PLACED, true, PLACED)).as("something has left").isFalse();
        CallOff leaving = new CallOff(null);
        assertThat(leaving.until(PLACED)).isEmpty();
        assertThat(leaving.open(PLACED, false, Instant.parse("2027-11-29T10:00:00Z")))
                .isTrue();
        assertThat(leaving.open(PLACED, true, PLACED)).isFalse();
    }
}
