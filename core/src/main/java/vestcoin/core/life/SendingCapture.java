package vestcoin.core.life;

/** What is taken of a held payment when goods leave: their own share, and the rest with the last of them. */
public final class SendingCapture {
    private SendingCapture() {}

    /**
     * @param payment through a provider
     * @param gone what is owed for all that has left so far, delivery and fee included, gross, in minor units
     * @param vouchers what vouchers paid of the order, which is used up first
     * @param all whether the last of it has left
     * @return what to take now, in minor units; 0 where nothing is to be taken or nothing may be
     */
    public static long of(PaymentTry payment, long gone, long vouchers, boolean all) {
        if (payment.state() != PaymentState.AUTHORISED && payment.state() != PaymentState.CAPTURED) {
            return 0;
        }
        long left = payment.amount() - payment.captured();
        return Math.max(0, all ? left : Math.min(left, gone - vouchers - payment.captured()));
    }
}
