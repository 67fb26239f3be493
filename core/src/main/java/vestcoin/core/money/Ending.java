package vestcoin.core.money;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** What a converted price is brought to, in currencies with two decimals. Nothing becomes dearer than free. */
public enum Ending {
    /** Raised to the next whole unit. */
    WHOLE("0.00"),
    /** Raised to the next price that ends in .95. */
    NINETY_FIVE("0.95"),
    /** Raised to the next price that ends in .99. */
    NINETY_NINE("0.99"),
    /** Brought to the nearest 0.05, half up. */
    NEAREST_FIVE(null);

    private static final BigDecimal FIVE = new BigDecimal("0.05");

    private final BigDecimal fraction;

    Ending(String fraction) {
        this.fraction = fraction == null ? null : new BigDecimal(fraction);
    }

    /** The price with this ending. @param amount not negative, with two decimals */
    public BigDecimal of(BigDecimal amount) {
        if (amount.signum() == 0) {
            return amount;
        }
        if (fraction == null) {
            return Steps.nearest(amount, FIVE).setScale(2);
        }
        BigDecimal candidate = amount.setScale(0, RoundingMode.FLOOR).add(fraction);
        return (candidate.compareTo(amount) < 0 ? candidate.add(BigDecimal.ONE) : candidate).setScale(2);
    }
}
