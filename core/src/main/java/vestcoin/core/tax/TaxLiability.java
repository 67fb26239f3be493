package vestcoin.core.tax;

import java.util.Optional;
import vestcoin.core.message.Message;
import vestcoin.core.place.Destination;

/**
 * Whose tax a supply bears.
 *
 * @param code category of EN 16931 (UNTDID 5305); {@code S} until the rate is known to be zero
 * @param place where the rates are looked up, for what is taxed
 * @param sentence why, for the seller
 * @param rule path of what decided it
 */
public record TaxLiability(Code code, Optional<Destination> place, Message sentence, String rule) {
    /** What EN 16931 tells apart. */
    public enum Code {
        /** Standard rate, which is any rate but zero. */
        S,
        /** Zero rate. */
        Z,
        /** Exempt. */
        E,
        /** Reverse charge. */
        AE,
        /** Exempt intra-Community supply. */
        K,
        /** Export. */
        G,
        /** Outside the scope of tax. */
        O
    }

    public static final TaxLiability OUTSIDE =
            new TaxLiability(Code.O, Optional.empty(), Message.of("tax.outside-scope-of-tax"), "rule/outside-tax");

    boolean taxed() {
        return code == Code.S;
    }

    static TaxLiability taxed(Destination place, Message sentence, String rule) {
        return new TaxLiability(Code.S, Optional.of(place), sentence, rule);
    }

    static TaxLiability not(Code code, Message sentence, String rule) {
        return new TaxLiability(code, Optional.empty(), sentence, rule);
    }
}
