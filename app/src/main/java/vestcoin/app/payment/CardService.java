package vestcoin.app.payment;

import java.util.Optional;

/**
 * What a card processor does for a shop. A real provider is one more class like {@link HttpCardService}.
 * Amounts are minor units. Calls with the same key have one effect.
 */
public interface CardService {

    /** How a provider sees a payment. @param state one of this house's payment states */
    record View(String ref, String key, String state, String reason, String action, long amount, long captured, long refunded) {}

    record Account(String mode, boolean approved, String publicKey) {}

    /** The provider did not answer, or not in time: nothing is known. */
    final class Silent extends RuntimeException {
        public Silent(String message) {
            super(message);
        }
    }

    /** The provider answered no. */
    class Refusal extends RuntimeException {
        public Refusal(String message) {
            super(message);
        }
    }

    /** @throws Refusal if no account has these keys @throws Silent if nothing is known */
    Account account(Access access);

    /** Asks to be told about payments at a URL; returns the secret that signs. */
    String webhook(Access access, String url);

    View authorise(Access access, String key, long amount, String currency, String token, String reference, String returnUrl);

    /** The payment begun with this key, or nothing if none was. */
    Optional<View> find(Access access, String key);

    View capture(Access access, String ref, String key, long amount);

    View refund(Access access, String ref, String key, long amount);

    /** Where a provider is and what opens it. */
    record Access(String url, String secret) {
        @Override
        public String toString() {
            return "Access[" + url + "]";
        }
    }
}
