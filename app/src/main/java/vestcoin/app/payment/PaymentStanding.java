package vestcoin.app.payment;

import java.util.List;
import vestcoin.app.payment.PaymentBook.Payment;

/** How far an order's money is, in the words its list is filtered by. */
public final class PaymentStanding {
    /** All of them, as the schema has them. */
    public static final List<String> ALL = List.of(
            "unpaid",
            "waiting",
            "authorised",
            "paid in part",
            "paid",
            "refunded in part",
            "refunded",
            "failed",
            "disputed",
            "dispute lost",
            "cancelled");

    private PaymentStanding() {}

    /**
     * @param tries at all parts of one order, as the book gives them: the latest at the rest first
     * @param due what is to be paid beside vouchers, in minor units
     */
    static String of(List<Payment> tries, long due) {
        List<Payment> alive =
                tries.stream().filter(payment -> payment.stateNow().alive()).toList();
        // A voucher that has paid its part does not pay the rest, which nobody has begun to pay or which has failed.
        if (alive.isEmpty() || due > 0 && alive.stream().allMatch(Payment::byVoucher)) {
            PaymentState last = tries.isEmpty() || tries.get(0).byVoucher()
                    ? null
                    : tries.get(0).stateNow();
            return last == null ? "unpaid" : last == PaymentState.VOIDED ? "cancelled" : "failed";
        }
        if (has(alive, PaymentState.DISPUTE_LOST)) {
            return "dispute lost";
        }
        if (has(alive, PaymentState.DISPUTED)) {
            return "disputed";
        }
        long amount = alive.stream().mapToLong(Payment::amount).sum();
        long captured = alive.stream().mapToLong(Payment::captured).sum();
        long refunded = alive.stream().mapToLong(Payment::refunded).sum();
        if (refunded > 0) {
            return refunded < captured ? "refunded in part" : "refunded";
        }
        if (alive.stream().filter(payment -> !payment.byVoucher()).allMatch(payment -> payment.captured() == 0)
                && captured < amount) {
            return has(alive, PaymentState.AUTHORISED) ? "authorised" : "waiting";
        }
        return captured < amount ? "paid in part" : "paid";
    }

    private static boolean has(List<Payment> alive, PaymentState state) {
        return alive.stream().anyMatch(payment -> payment.stateNow() == state);
    }
}
