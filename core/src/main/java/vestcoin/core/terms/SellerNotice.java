package vestcoin.core.terms;

import java.util.List;

/**
 * Somebody on the seller's side who is written to.
 *
 * @param email where to
 * @param events of what; of everything when empty
 */
public record SellerNotice(String id, String email, List<Event> events) {
    public static final int MOST = 20;

    /** What a seller is written of. */
    public enum Event {
        /** An order was placed. */
        PLACED,
        /** A buyer called an order off, withdrew from it, or sends something back. */
        STOPPED,
        /** Something of a subscription happened that the seller should know. */
        RENEWALS,
        /** Little is left of something. */
        STOCK,
        /** A buyer disputes a payment at the bank. */
        DISPUTES,
        /** Somebody asks to belong to a group of buyers. */
        GROUPS
    }

    public SellerNotice {
        email = email == null ? "" : email.strip();
        events = events == null ? List.of() : List.copyOf(events);
    }

    boolean of(Event event) {
        return events.isEmpty() || events.contains(event);
    }
}
