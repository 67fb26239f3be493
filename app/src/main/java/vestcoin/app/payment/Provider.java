package vestcoin.app.payment;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;

/**
 * What a provider of payments does for a shop, a card processor or a wallet. A real one is one more class like
 * {@link HttpProvider}. Amounts are minor units. Calls with the same key have one effect. Every method may throw
 * {@link ProviderTimeout} and {@link ProviderRejection}.
 */
public interface Provider {

    /**
     * How a provider sees a payment. @param state one of this house's payment states @param keptCard what it calls the
     * card it keeps, empty where it keeps none @param version grows with every change at the provider @param answerBy
     * until when it has to hear from the seller of a dispute @param cardCountry where the card was issued, ISO 3166-1;
     * empty where it is not told
     */
    record View(
            String ref,
            String key,
            String state,
            String reason,
            String action,
            Sums sums,
            String keptCard,
            long version,
            Optional<Instant> answerBy,
            String cardCountry) {}

    /** What a payment is over, and what of it was taken and given back, in minor units. */
    record Sums(long amount, long captured, long refunded) {}

    record Account(String mode, boolean approved, String publicKey, StatementLength statement) {}

    /** How many characters a text on the buyer's statement may have, as the provider says. */
    record StatementLength(int least, int most) {}

    /** What can be done with money that was authorised. */
    enum Kind {
        CAPTURE,
        REFUND,
        VOID;

        public String text() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Kind of(String text) {
            return valueOf(text.toUpperCase(Locale.ROOT));
        }
    }

    /** @throws ProviderRejection if no account has these keys */
    Account account(ServiceAccess access);

    /** Asks to be told about payments at a URL; returns the secret that signs. */
    String webhook(ServiceAccess access, String url);

    /**
     * What a buyer is charged.
     *
     * @param means what it is paid by
     * @param statement what stands on the buyer's statement; empty for what the account says
     * @param returnUrl where the buyer comes back to
     */
    record Charge(long amount, String currency, Means means, String reference, String statement, String returnUrl) {}

    /**
     * What a charge is paid by.
     *
     * @param token of a card; empty where the buyer is sent to the provider's page, or a card is kept
     * @param keep whether the card is kept to be charged again
     * @param keptCard what the provider calls a card it keeps; nobody is asked
     * @param shared what a wallet calls the approval it gave at the basket; empty without one
     */
    record Means(String token, boolean keep, String keptCard, String shared) {
        public static final Means PAGE = new Means("", false, "", "");

        public static Means card(String token, boolean keep) {
            return new Means(token, keep, "", "");
        }

        public static Means kept(String card) {
            return new Means("", false, card, "");
        }

        public static Means approved(String shared) {
            return new Means("", false, "", shared);
        }
    }

    /**
     * What a wallet is asked for at a basket, before there is an order.
     *
     * @param most it may come to, in minor units
     * @param shop its name
     * @param returnUrl where the buyer comes back to
     */
    record BasketApproval(long most, String currency, String shop, String returnUrl) {}

    /**
     * Where that stands. @param action the wallet's page, while the buyer has not answered @param approved whether the
     * buyer has, and nothing was paid with it yet @param person whose wallet it is, once it is approved
     */
    record Approval(String ref, String action, boolean approved, Optional<Person> person) {}

    /** Who pays from a wallet, and where they live. @param region ISO 3166-2 */
    record Person(
            String name,
            String email,
            List<String> lines,
            String postcode,
            String city,
            Optional<String> region,
            String country) {}

    /** Asks a wallet for name and address, and for approval of an order that is still to come. */
    Approval approval(ServiceAccess access, BasketApproval asked);

    /** Where an approval stands. */
    Approval approval(ServiceAccess access, String ref);

    /**
     * Money a provider sent to the shop's bank.
     *
     * @param amount of all entries, what was given back and the fees taken off
     */
    record Payout(String ref, String currency, long amount, Instant at, List<PayoutEntry> entries) {}

    /** What one payment took, or gave back, in a payout. @param payment the provider's reference @param fee kept */
    record PayoutEntry(String payment, Kind kind, long amount, long fee) {}

    /** The payouts after one of them, the oldest first, some at a time. @param after empty for the first ever */
    List<Payout> payouts(ServiceAccess access, String after);

    /** Keeps a card without charging it; gives what the provider calls it. */
    String keep(ServiceAccess access, String token);

    View authorise(ServiceAccess access, String key, Charge charge);

    /** The payment begun with this key, or nothing if none was. */
    Optional<View> find(ServiceAccess access, String key);

    /** @param amount zero for a void */
    View move(ServiceAccess access, String ref, Kind kind, String key, long amount);
}
