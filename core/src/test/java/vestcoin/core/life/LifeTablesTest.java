package vestcoin.core.life;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** An order's life in tables: payments to standing, sending to capture, transfers to what they are. */
class LifeTablesTest {
    /** {@code captured 100 60 10 voucher} is a captured payment of 100, 60 of it taken, 10 given back, by voucher. */
    private static List<PaymentTry> tries(String text) {
        return text == null
                ? List.of()
                : Arrays.stream(text.split(","))
                        .map(String::strip)
                        .map(each -> each.split(" "))
                        .map(each -> new PaymentTry(
                                PaymentState.of(each[0]),
                                Long.parseLong(each[1]),
                                Long.parseLong(each[2]),
                                Long.parseLong(each[3]),
                                each.length > 4))
                        .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "| 100 | unpaid",
                "created 100 0 0 | 100 | waiting",
                "pending 100 0 0 | 100 | waiting",
                "pending 100 40 0 | 100 | paid in part",
                "authorised 100 0 0 | 100 | authorised",
                "captured 100 40 0 | 100 | paid in part",
                "captured 100 100 0 | 100 | paid",
                "refunded 100 100 30 | 100 | refunded in part",
                "refunded 100 100 100 | 100 | refunded",
                "declined 100 0 0 | 100 | failed",
                "expired 100 0 0 | 100 | failed",
                "voided 100 0 0 | 100 | cancelled",
                "declined 100 0 0, captured 100 100 0 | 100 | paid",
                "disputed 100 100 0 | 100 | disputed",
                "dispute-lost 100 100 0 | 100 | dispute lost",
                "captured 30 30 0 voucher | 70 | unpaid",
                "captured 100 100 0 voucher | 0 | paid",
                "authorised 70 0 0, captured 30 30 0 voucher | 70 | authorised",
                "captured 70 70 0, captured 30 30 0 voucher | 70 | paid",
                "declined 70 0 0, captured 30 30 0 voucher | 70 | failed"
            })
    void payments_say_how_far_the_money_is(String tries, long due, String standing) {
        assertThat(PaymentStanding.of(tries(tries), due).text()).isEqualTo(standing);
        assertThat(PaymentStanding.texts()).contains(standing);
    }

    @ParameterizedTest
    @CsvSource({
        "authorised, 100, 0, 40, 0, false, 40",
        "captured, 100, 40, 70, 0, false, 30",
        "captured, 100, 40, 70, 0, true, 60",
        "authorised, 100, 0, 40, 30, false, 10",
        "authorised, 100, 0, 20, 30, false, 0",
        "authorised, 100, 0, 140, 0, false, 100",
        "captured, 100, 100, 100, 0, true, 0",
        "pending, 100, 0, 100, 0, true, 0",
        "voided, 100, 0, 100, 0, true, 0"
    })
    void what_leaves_takes_its_own_share_and_the_last_the_rest(
            String state, long amount, long captured, long gone, long vouchers, boolean all, long taken) {
        PaymentTry payment = new PaymentTry(PaymentState.of(state), amount, captured, 0, false);
        assertThat(SendingCapture.of(payment, gone, vouchers, all)).isEqualTo(taken);
    }

    @ParameterizedTest
    @CsvSource({
        "pending, 100, 0, 100, exact, 100, 0",
        "pending, 100, 0, 60, under, 60, 0",
        "captured, 100, 60, 40, exact, 40, 0",
        "captured, 100, 60, 90, over, 40, 50",
        "captured, 100, 100, 100, double, 0, 100",
        "expired, 100, 0, 100, double, 0, 100"
    })
    void a_transfer_is_taken_as_far_as_the_order_waits_for_it(
            String state, long amount, long captured, long came, String kind, long taken, long surplus) {
        StatementMatch match =
                StatementMatch.of(came, new PaymentTry(PaymentState.of(state), amount, captured, 0, false));
        assertThat(match.kind().text()).isEqualTo(kind);
        assertThat(match.taken()).isEqualTo(taken);
        assertThat(match.surplus()).isEqualTo(surplus);
        assertThat(match.taken() + match.surplus()).as("nothing is lost").isEqualTo(came);
    }

    /** Directive 2006/112/EC, Article 222, for goods to a business in another member state; from memory. */
    @Test
    void an_invoice_is_due_when_it_is_paid_or_when_goods_leave() {
        assertThat(PaperDue.invoice(false, false, true, false)).isTrue();
        assertThat(PaperDue.invoice(false, false, false, true)).isFalse();
        assertThat(PaperDue.invoice(false, true, false, true)).as("on account").isTrue();
        assertThat(PaperDue.invoice(true, false, true, false))
                .as("paid, not gone")
                .isFalse();
        assertThat(PaperDue.invoice(true, false, false, true)).isTrue();
    }
}
