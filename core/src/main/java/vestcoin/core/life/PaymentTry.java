package vestcoin.core.life;

/**
 * One try to pay a part of an order.
 *
 * @param amount asked for, in minor units
 * @param captured of it so far, in minor units
 * @param refunded of what was captured, in minor units
 * @param byVoucher whether a voucher pays it, rather than a way to pay
 */
public record PaymentTry(PaymentState state, long amount, long captured, long refunded, boolean byVoucher) {
    boolean alive() {
        return state.alive();
    }
}
