package vestcoin.core.terms;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Source: Directive 2011/83/EU, Article 9(1) and (2): fourteen days from receipt, and before it; from memory. */
class ReturnRightTest {
    private static final Terms TERMS =
            new Terms(Optional.of(30), Optional.of(14), true, true, List.of(), null, null, false);
    private static final LocalDate SENT = LocalDate.of(2026, 11, 2);

    private static Optional<ReturnRight> open(boolean consumer, LocalDate sent, String today) {
        return ReturnRight.open(TERMS, consumer, Optional.ofNullable(sent), 5, LocalDate.parse(today));
    }

    /** Sent on 2 November, there by the 9th at the latest: fourteen days end on the 23rd, thirty on 9 December. */
    @ParameterizedTest
    @CsvSource({
        "2026-11-02, WITHDRAWAL",
        "2026-11-23, WITHDRAWAL",
        "2026-11-24, RETURN",
        "2026-12-09, RETURN",
        "2026-12-10,"
    })
    void the_right_of_withdrawal_comes_first_and_what_the_shop_grants_after(String today, ReturnRight.Kind kind) {
        assertThat(open(true, SENT, today).map(ReturnRight::kind)).isEqualTo(Optional.ofNullable(kind));
    }

    @Test
    void before_anything_has_left_a_consumer_can_withdraw_at_any_time_and_a_business_cannot() {
        assertThat(open(true, null, "2027-11-02"))
                .contains(new ReturnRight(ReturnRight.Kind.WITHDRAWAL, Optional.empty()));
        assertThat(open(false, null, "2026-11-02")).isEmpty();
        assertThat(open(false, SENT, "2026-11-20").map(ReturnRight::kind)).contains(ReturnRight.Kind.RETURN);
    }

    @Test
    void what_the_shop_has_not_set_is_not_open() {
        assertThat(ReturnRight.open(Terms.NONE, true, Optional.of(SENT), 5, SENT))
                .isEmpty();
    }
}
