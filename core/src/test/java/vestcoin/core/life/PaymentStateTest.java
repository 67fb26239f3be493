package vestcoin.core.life;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Which state of a payment may follow which. */
class PaymentStateTest {
    @ParameterizedTest
    @CsvSource({
        "CREATED, NEEDS_BUYER PENDING AUTHORISED CAPTURED DECLINED FAILED",
        "NEEDS_BUYER, PENDING AUTHORISED CAPTURED DECLINED FAILED EXPIRED",
        "PENDING, NEEDS_BUYER AUTHORISED CAPTURED DECLINED FAILED VOIDED EXPIRED",
        "AUTHORISED, CAPTURED VOIDED EXPIRED",
        "CAPTURED, REFUNDED DISPUTED",
        "REFUNDED, DISPUTED",
        "DISPUTED, CAPTURED REFUNDED DISPUTE_LOST",
        "DISPUTE_LOST, ''",
        "DECLINED, ''",
        "FAILED, ''",
        "VOIDED, ''",
        "EXPIRED, ''"
    })
    void a_state_leads_only_where_it_may(PaymentState from, String to) {
        String leads = Arrays.stream(PaymentState.values())
                .filter(from::leadsTo)
                .map(Enum::name)
                .collect(Collectors.joining(" "));
        assertThat(leads).isEqualTo(to);
    }

    @ParameterizedTest
    @EnumSource(PaymentState.class)
    void nothing_leads_back_to_itself_or_to_the_beginning(PaymentState state) {
        assertThat(state.leadsTo(state)).isFalse();
        assertThat(state.leadsTo(PaymentState.CREATED)).isFalse();
        assertThat(PaymentState.of(state.text())).isEqualTo(state);
    }

    @Test
    void only_what_has_no_outcome_is_open() {
        assertThat(Arrays.stream(PaymentState.values())
                        .filter(PaymentState::open)
                        .toList())
                .isEqualTo(List.of(PaymentState.CREATED, PaymentState.NEEDS_BUYER, PaymentState.PENDING));
    }
}
