package vestcoin.core.payment;

import java.util.Optional;
import vestcoin.core.message.Message;

/** How far an account with a provider is, as an order needs to know it. */
public enum Gateway {
    NOT_CONNECTED("payment.no-keys-are-entered"),
    KEYS_ENTERED("payment.the-keys-have-not-been-checked"),
    WAITING_FOR_APPROVAL("payment.the-provider-has-not-approved-the-account"),
    TEST(""),
    LIVE(""),
    FAILING("payment.the-provider-refuses-the-keys");

    private final String trouble;

    Gateway(String trouble) {
        this.trouble = trouble;
    }

    /** Why no buyer can pay through it; nothing when one can. */
    public Optional<Message> trouble() {
        return trouble.isEmpty() ? Optional.empty() : Optional.of(Message.of(trouble));
    }

    public boolean usable() {
        return trouble.isEmpty();
    }
}
