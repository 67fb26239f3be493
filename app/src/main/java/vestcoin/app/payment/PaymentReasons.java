package vestcoin.app.payment;

import java.util.Map;
import vestcoin.app.outside.ServiceReasons;
import vestcoin.core.message.Message;

/** Why a payment came to nothing, as providers and we ourselves write it down, as what can be said in any language. */
public final class PaymentReasons {
    private static final Map<String, String> CODES = Map.ofEntries(
            Map.entry("declined by the bank", "payment.declined-by-the-bank"),
            Map.entry("declined", "payment.declined"),
            Map.entry("not enough money on the card", "payment.not-enough-money-on-the-card"),
            Map.entry("the card has expired", "payment.the-card-has-expired"),
            Map.entry("the bank could not confirm the buyer", "payment.the-bank-could-not-confirm-the-buyer"),
            Map.entry("cancelled in the wallet", "payment.cancelled-in-the-wallet"),
            Map.entry("nothing reached the provider", "payment.nothing-reached-the-provider"),
            Map.entry("the provider has not answered", "payment.the-provider-has-not-answered"),
            Map.entry("the authorisation has lapsed", "payment.the-authorisation-has-lapsed"),
            Map.entry("no longer waited for", "payment.no-longer-waited-for"),
            Map.entry("waits for the transfer", "payment.waits-for-the-transfer"),
            Map.entry("paid at the door", "payment.paid-at-the-door"),
            Map.entry("paid when it is collected", "payment.paid-when-it-is-collected"),
            Map.entry("waits for the cheque to clear", "payment.waits-for-the-cheque-to-clear"),
            Map.entry("the card was taken back", "payment.the-card-was-taken-back"),
            Map.entry("no card is kept", "payment.no-card-is-kept"),
            Map.entry("on account", "payment.on-account"));

    private PaymentReasons() {}

    /** @param written as it stands in the book; what is not known stands as it is */
    public static Message of(String written) {
        String code = CODES.get(written);
        return code == null ? ServiceReasons.of(written) : Message.of(code);
    }
}
