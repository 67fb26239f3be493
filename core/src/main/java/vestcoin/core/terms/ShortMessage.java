package vestcoin.core.terms;

/** What a buyer is told by a short message to the telephone, where the seller wants so. */
public enum ShortMessage {
    PLACED(false),
    /** The money has come, of what is paid later. */
    PAID(false),
    /** A parcel left, or what is brought round is on its way. */
    SENT(true),
    /** What is collected is ready. */
    READY(true),
    CANCELLED(false);

    private final boolean receiver;

    ShortMessage(boolean receiver) {
        this.receiver = receiver;
    }

    /** Whether it is for who gets the goods: of a gift, nobody else is told by the receiver's telephone. */
    public boolean forReceiver() {
        return receiver;
    }
}
