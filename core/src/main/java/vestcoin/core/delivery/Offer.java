package vestcoin.core.delivery;

import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Tracer;

/** What the buyer is told about one delivery option. */
public sealed interface Offer {
    /** What is said of a price that stands in for a carrier's answer. */
    Message STANDS_IN = Message.of("delivery.carrier-did-not-answer-this-fallback-price");

    Delivery.Option option();

    /**
     * Can be chosen at this price.
     *
     * @param price for this buyer
     * @param shelf the same by the shelf-price figures: another one only where this buyer's are re-rated
     * @param promise when it arrives, where the option says how long it takes
     * @param note what the seller should know of it, such as that a carrier did not answer
     */
    record Available(
            Delivery.Option option, Figure price, Figure shelf, Optional<Promise> promise, Optional<Message> note)
            implements Offer {
        /** Whether its price is the one typed for when the carrier does not answer. */
        public boolean standsIn() {
            return note.filter(STANDS_IN::equals).isPresent();
        }

        public static Available of(
                Delivery.Option option,
                Figure shelf,
                Load load,
                Optional<Promise> promise,
                Optional<Message> note,
                Tracer tracer) {
            return new Available(option, load.price(shelf, tracer), shelf, promise, note);
        }
    }

    /** Cannot be chosen. @param reason one sentence for the seller; @param rule path of what takes it away */
    record Unavailable(Delivery.Option option, Message reason, String rule) implements Offer {}
}
