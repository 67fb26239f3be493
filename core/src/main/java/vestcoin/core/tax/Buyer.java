package vestcoin.core.tax;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.Optional;
import vestcoin.core.place.Destination;

/**
 * Who buys, as far as tax depends on it.
 *
 * @param kind a person, or a business
 * @param number tax number of a business
 * @param exempt why the buyer bears no tax, as a certificate says
 * @param belongs where the buyer belongs, for services and digital goods; where the order goes without it
 * @param evidence a second piece of evidence for where that is: a country, such as the card's
 */
@RecordBuilder
public record Buyer(
        Kind kind,
        Optional<TaxNumber> number,
        Optional<String> exempt,
        Optional<Destination> belongs,
        Optional<String> evidence) {
    public static final Buyer PERSON = BuyerBuilder.builder().build();

    public enum Kind {
        PERSON,
        BUSINESS
    }

    public Buyer {
        kind = kind == null ? Kind.PERSON : kind;
        number = number == null ? Optional.empty() : number;
        exempt = exempt == null ? Optional.empty() : exempt;
        belongs = belongs == null ? Optional.empty() : belongs;
        evidence = evidence == null ? Optional.empty() : evidence;
    }

    /**
     * A number with its two letters, {@code XI} and {@code EL} among them. @param confirmed what the register answered,
     * if it was asked
     */
    public record TaxNumber(String country, String number, Optional<Confirmed> confirmed) {
        public TaxNumber {
            confirmed = confirmed == null ? Optional.empty() : confirmed;
        }
    }

    /** The register's answer. @param reference of the answer, kept with the order */
    public record Confirmed(boolean valid, Instant at, String reference) {}

    /** Whether it is a business whose number the register has confirmed; until then the buyer is a consumer. */
    public boolean confirmedBusiness() {
        return kind == Kind.BUSINESS
                && number.flatMap(TaxNumber::confirmed).filter(Confirmed::valid).isPresent();
    }

    /** The state whose number it is, as ISO 3166-1 writes it, or XI. */
    Optional<String> numberState() {
        return number.map(given -> given.country().equals("EL") ? "GR" : given.country());
    }
}
