package vestcoin.core.compare;

import java.math.BigDecimal;

/**
 * What is assumed of orders that fall a little short of free delivery: some of their buyers take more of the cheapest
 * thing they have until it is free.
 *
 * @param share of them that do, from 0 to 1
 * @param distance from the threshold within which they do, in the shop's currency
 */
public record FillUp(BigDecimal share, BigDecimal distance) {
    public static final FillUp NOBODY = new FillUp(BigDecimal.ZERO, BigDecimal.ZERO);

    boolean nobody() {
        return share.signum() == 0 || distance.signum() == 0;
    }
}
