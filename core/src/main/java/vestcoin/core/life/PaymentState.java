package vestcoin.core.life;

import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** The life of a payment: which state may follow which. What is not listed is ignored, so late news changes nothing. */
public enum PaymentState {
    CREATED,
    NEEDS_BUYER,
    PENDING,
    AUTHORISED,
    CAPTURED,
    REFUNDED,
    DECLINED,
    FAILED,
    VOIDED,
    EXPIRED,
    DISPUTED,
    DISPUTE_LOST;

    private static final Map<PaymentState, Set<PaymentState>> NEXT = Map.of(
            CREATED, Set.of(NEEDS_BUYER, PENDING, AUTHORISED, CAPTURED, DECLINED, FAILED),
            NEEDS_BUYER, Set.of(PENDING, AUTHORISED, CAPTURED, DECLINED, FAILED, EXPIRED),
            PENDING, Set.of(NEEDS_BUYER, AUTHORISED, CAPTURED, DECLINED, FAILED, EXPIRED, VOIDED),
            AUTHORISED, Set.of(CAPTURED, VOIDED, EXPIRED),
            CAPTURED, Set.of(REFUNDED, DISPUTED),
            REFUNDED, Set.of(DISPUTED),
            DISPUTED, Set.of(CAPTURED, REFUNDED, DISPUTE_LOST));

    /** Whether a payment in this state may go on to that one. */
    public boolean leadsTo(PaymentState next) {
        return NEXT.getOrDefault(this, Set.of()).contains(next);
    }

    /** Whether the outcome is still open at the provider. */
    public boolean open() {
        return this == CREATED || this == NEEDS_BUYER || this == PENDING;
    }

    /** Whether money that came in can still be given back. */
    public boolean refundable() {
        return this == CAPTURED || this == REFUNDED;
    }

    /** Whether it holds its part of the order, so that no other try may. */
    public boolean alive() {
        return this != DECLINED && this != FAILED && this != VOIDED && this != EXPIRED;
    }

    /** As it is stored and told. */
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** @param text as {@link #text} gives it */
    public static PaymentState of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
