package vestcoin.core.life;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class ChargeRetriesTest {
    /** One, three and five days after the first; common practice, no source. */
    @Test
    void three_more_tries_and_then_none() {
        LocalDate first = LocalDate.of(2027, 2, 26);
        assertThat(ChargeRetries.next(first, 1)).contains(LocalDate.of(2027, 2, 27));
        assertThat(ChargeRetries.next(first, 2)).contains(LocalDate.of(2027, 3, 1));
        assertThat(ChargeRetries.next(first, 3)).contains(LocalDate.of(2027, 3, 3));
        assertThat(ChargeRetries.next(first, 4)).isEmpty();
    }
}
