package vestcoin.core.life;

import java.util.Locale;

/** What a seller does next with an order. */
public enum NextStep {
    /** Something is wrong with its money: a dispute, or less than was asked. */
    LOOK_AT,
    /** The buyer has withdrawn, or sends something back. */
    WITHDRAWN,
    SEND,
    /** Collected, or brought round, at a time that is booked. */
    MAKE_READY,
    AWAIT_MONEY,
    NOTHING;

    /** How much of an order has left. */
    public enum Sent {
        NO,
        IN_PART,
        ALL,
        /** Nothing of it has to. */
        NOTHING
    }

    /**
     * Where an order is.
     *
     * @param booked whether a slot is taken for it
     * @param paidAfterwards whether its way of paying brings the money when the goods are handed over, or later
     */
    public record OrderState(
            PaymentStanding standing,
            Sent sent,
            boolean cancelled,
            boolean withdrawn,
            boolean booked,
            boolean paidAfterwards) {}

    public static NextStep of(OrderState order) {
        PaymentStanding standing = order.standing();
        if (standing == PaymentStanding.DISPUTED || standing == PaymentStanding.DISPUTE_LOST) {
            return LOOK_AT;
        }
        if (order.cancelled()) {
            return NOTHING;
        }
        if (order.withdrawn()) {
            return WITHDRAWN;
        }
        return switch (standing) {
            case PAID_IN_PART -> LOOK_AT;
            case PAID, AUTHORISED, REFUNDED_IN_PART -> handOver(order, NOTHING);
            case WAITING -> order.paidAfterwards() ? handOver(order, AWAIT_MONEY) : AWAIT_MONEY;
            case UNPAID, FAILED -> AWAIT_MONEY;
            default -> NOTHING;
        };
    }

    private static NextStep handOver(OrderState order, NextStep afterwards) {
        if (order.sent() == Sent.ALL || order.sent() == Sent.NOTHING) {
            return afterwards;
        }
        return order.booked() ? MAKE_READY : SEND;
    }

    /** As it is asked for: small letters with hyphens. */
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
