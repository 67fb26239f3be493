package vestcoin.core.payment;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/** The Payment station of a setup. Keys and secrets are not part of it. */
public record Payment(List<Method> methods) {
    public Payment {
        methods = methods == null ? List.of() : List.copyOf(methods);
    }

    public enum Kind { CARD }

    /**
     * A way to pay as the buyer picks it.
     *
     * @param on       off until the seller turns it on
     * @param title    what the buyer reads
     * @param sentence one plain sentence under the title
     * @param gateway  id of the account with a provider
     * @param fee      what the provider takes
     */
    public record Method(String id, Kind kind, boolean on, String title, String sentence, String gateway, Optional<Fee> fee) {
        public Method {
            sentence = sentence == null ? "" : sentence;
            fee = fee == null ? Optional.empty() : fee;
        }
    }

    /** A provider's fee: round half up(percent × amount + fixed). */
    public record Fee(BigDecimal percent, BigDecimal fixed) {}
}
