package vestcoin.core.money;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Multiples of a step. */
public final class Steps {
    private Steps() {}

    /** The multiple of the step nearest to the amount, half up. 17.98 in steps of 0.05 is 18.00. */
    public static BigDecimal nearest(BigDecimal amount, BigDecimal step) {
        return amount.divide(step, 0, RoundingMode.HALF_UP).multiply(step);
    }

    /** The smallest multiple of the step that is not below the amount. 5.4 in steps of 0.5 is 5.5. */
    public static BigDecimal up(BigDecimal amount, BigDecimal step) {
        return amount.divide(step, 0, RoundingMode.CEILING).multiply(step);
    }
}
