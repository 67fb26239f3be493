package vestcoin.core.delivery;

import java.util.Optional;
import vestcoin.core.why.Figure;

/** What the buyer is told about one delivery option. */
public sealed interface Offer {
    Delivery.Option option();

    /**
     * Can be chosen at this price.
     *
     * @param promise when it arrives, where the option says how long it takes
     * @param note    what the seller should know of it, such as that a carrier did not answer
     */
    record Offered(Delivery.Option option, Figure price, Optional<Promise> promise, Optional<String> note) implements Offer {
        public Offered(Delivery.Option option, Figure price) {
            this(option, price, Optional.empty(), Optional.empty());
        }
    }

    /** Cannot be chosen. @param reason one sentence for the seller; @param rule path of what takes it away */
    record NotOffered(Delivery.Option option, String reason, String rule) implements Offer {}
}
