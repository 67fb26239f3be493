package vestcoin.core.discount;

import java.util.Map;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;

/**
 * What one discount takes off.
 *
 * @param amount for this buyer, not negative
 * @param shelf the same by the shelf-price figures: another one only where this buyer's are re-rated
 * @param shares line index to its part of the amount; empty for a discount off the delivery
 */
public record Reduction(Discounts.Rule rule, Figure amount, Figure shelf, Map<Integer, Figure> shares) {
    public Reduction {
        shares = Map.copyOf(shares);
    }

    /** A discount that does not apply. @param reason one sentence for the seller */
    public record UnusedDiscount(Discounts.Rule rule, Message reason) {}
}
