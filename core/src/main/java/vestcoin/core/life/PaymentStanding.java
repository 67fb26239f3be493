package vestcoin.core.life;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

/** How far an order's money is. */
public enum PaymentStanding {
    UNPAID,
    WAITING,
    AUTHORISED,
    PAID_IN_PART,
    PAID,
    REFUNDED_IN_PART,
    REFUNDED,
    FAILED,
    DISPUTED,
    DISPUTE_LOST,
    CANCELLED;

    /** All of them as they are stored and filtered by. */
    public static List<String> texts() {
        return Arrays.stream(values()).map(PaymentStanding::text).toList();
    }

    /** Those of an order of which money is still to come. */
    public static List<String> open() {
        return Stream.of(UNPAID, WAITING, FAILED, PAID_IN_PART)
                .map(PaymentStanding::text)
                .toList();
    }

    /** @param text as {@link #text} gives it */
    public static PaymentStanding of(String text) {
        return valueOf(text.toUpperCase(java.util.Locale.ROOT).replace(' ', '_'));
    }

    /** As it is stored and filtered by: words with spaces. */
    public String text() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }

    /**
     * @param tries at all parts of one order, the latest at the rest first
     * @param due what is to be paid beside vouchers, in minor units
     */
    public static PaymentStanding of(List<PaymentTry> tries, long due) {
        return of(tries, due, 0);
    }

    /**
     * @param tries at all parts of one order, the latest at the rest first
     * @param due what is to be paid beside vouchers, in minor units
     * @param carried what was given back because the order was changed, which is no refund of what it is now
     */
    public static PaymentStanding of(List<PaymentTry> tries, long due, long carried) {
        List<PaymentTry> alive = tries.stream().filter(PaymentTry::alive).toList();
        // A voucher that has paid its part does not pay the rest, which nobody has begun to pay or which has failed.
        if (alive.isEmpty() || due > 0 && alive.stream().allMatch(PaymentTry::byVoucher)) {
            if (tries.isEmpty() || tries.get(0).byVoucher()) {
                return UNPAID;
            }
            return tries.get(0).state() == PaymentState.VOIDED ? CANCELLED : FAILED;
        }
        if (has(alive, PaymentState.DISPUTE_LOST)) {
            return DISPUTE_LOST;
        }
        if (has(alive, PaymentState.DISPUTED)) {
            return DISPUTED;
        }
        long amount = alive.stream().mapToLong(PaymentTry::amount).sum() - carried;
        long captured = alive.stream().mapToLong(PaymentTry::captured).sum() - carried;
        long refunded =
                Math.max(0, alive.stream().mapToLong(PaymentTry::refunded).sum() - carried);
        if (refunded > 0) {
            return refunded < captured ? REFUNDED_IN_PART : REFUNDED;
        }
        if (alive.stream().filter(payment -> !payment.byVoucher()).allMatch(payment -> payment.captured() == 0)
                && captured < amount) {
            return has(alive, PaymentState.AUTHORISED) ? AUTHORISED : WAITING;
        }
        return captured < amount ? PAID_IN_PART : PAID;
    }

    private static boolean has(List<PaymentTry> alive, PaymentState state) {
        return alive.stream().anyMatch(payment -> payment.state() == state);
    }
}
