package vestcoin.core.delivery;

import vestcoin.core.why.Figure;

/** What the buyer is told about one delivery option. */
public sealed interface Offer {
    Delivery.Option option();

    /** Can be chosen at this price. */
    record Offered(Delivery.Option option, Figure price) implements Offer {}

    /** Cannot be chosen. @param reason one sentence for the seller; @param rule path of what takes it away */
    record NotOffered(Delivery.Option option, String reason, String rule) implements Offer {}
}
