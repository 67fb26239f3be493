package vestcoin.core.life;

/**
 * What a transfer that came in is to an order it names.
 *
 * @param taken of it for the order, in minor units
 * @param surplus that nobody has asked for, in minor units
 */
public record StatementMatch(Kind kind, long taken, long surplus) {
    public enum Kind {
        /** No order waits for it. */
        UNMATCHED,
        EXACT,
        UNDER,
        OVER,
        /** The order is paid already, or waits for no money. */
        DOUBLE;

        public String text() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public static final StatementMatch NONE = new StatementMatch(Kind.UNMATCHED, 0, 0);

    /** @param amount that came, above zero @param payment that waits for money @return what becomes of it */
    public static StatementMatch of(long amount, PaymentTry payment) {
        boolean takes = payment.state() == PaymentState.PENDING || payment.state() == PaymentState.CAPTURED;
        long left = takes ? payment.amount() - payment.captured() : 0;
        Kind kind = left == 0 ? Kind.DOUBLE : amount < left ? Kind.UNDER : amount > left ? Kind.OVER : Kind.EXACT;
        return new StatementMatch(kind, Math.min(amount, left), Math.max(0, amount - left));
    }
}
