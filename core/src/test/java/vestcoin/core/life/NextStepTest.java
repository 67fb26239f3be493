package vestcoin.core.life;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.life.NextStep.OrderState;
import vestcoin.core.life.NextStep.Sent;

class NextStepTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // standing | sent | cancelled withdrawn booked paid-afterwards | next
                "PAID | NO | false | false | false | false | SEND",
                "AUTHORISED | IN_PART | false | false | false | false | SEND",
                "PAID | NO | false | false | true | false | MAKE_READY",
                "PAID | ALL | false | false | true | false | NOTHING",
                "REFUNDED_IN_PART | NO | false | false | false | false | SEND",
                "REFUNDED | NO | false | false | false | false | NOTHING",
                "UNPAID | NO | false | false | false | false | AWAIT_MONEY",
                "WAITING | NO | false | false | false | false | AWAIT_MONEY",
                "WAITING | NO | false | false | false | true | SEND",
                "WAITING | NO | false | false | true | true | MAKE_READY",
                "WAITING | ALL | false | false | false | true | AWAIT_MONEY",
                "FAILED | NO | false | false | false | false | AWAIT_MONEY",
                "PAID_IN_PART | NO | false | false | false | false | LOOK_AT",
                "DISPUTED | ALL | false | false | false | false | LOOK_AT",
                "DISPUTE_LOST | NO | true | false | false | false | LOOK_AT",
                "PAID | NO | true | false | false | false | NOTHING",
                "PAID | ALL | false | true | false | false | WITHDRAWN",
                "CANCELLED | NO | false | false | false | false | NOTHING"
            })
    void follows_from_where_the_order_is(
            PaymentStanding standing,
            Sent sent,
            boolean cancelled,
            boolean withdrawn,
            boolean booked,
            boolean paidAfterwards,
            NextStep next) {
        assertThat(NextStep.of(new OrderState(standing, sent, cancelled, withdrawn, booked, paidAfterwards)))
                .isEqualTo(next);
    }
}
