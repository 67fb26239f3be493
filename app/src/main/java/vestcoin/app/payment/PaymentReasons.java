package vestcoin.app.payment;

import java.util.Map;
import vestcoin.core.message.Message;

/** Why a payment came to nothing, as providers and we ourselves write it down, as what can be said in any language. */
public final class PaymentReasons {
    private static final Map<String, String> CODES = Map.of(
            "declined by the bank", "payment.declined-by-the-bank",
            "declined", "payment.declined",
            "not enough money on the card", "payment.not-enough-money-on-the-card",
            "the card has expired", "payment.the-card-has-expired",
            "the bank could not confirm the buyer", "payment.the-bank-could-not-confirm-the-buyer",
            "cancelled in the wallet", "payment.cancelled-in-the-wallet",
            "nothing reached the provider", "payment.nothing-reached-the-provider",
            "the provider has not answered", "payment.the-provider-has-not-answered",
            "the authorisation has lapsed", "payment.the-authorisation-has-lapsed",
            "no longer waited for", "payment.no-longer-waited-for");

    private PaymentReasons() {}

    /** @param written as it stands in the book; what is not known stands as it is */
    public static Message of(String written) {
        String code = CODES.get(written);
        return code == null ? Message.name(written) : Message.of(code);
    }
}
