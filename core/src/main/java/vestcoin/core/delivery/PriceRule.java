package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * What a delivery option costs in a zone: one cell of the rate sheet.
 *
 * @param basis    how the price is found
 * @param freeFrom value of the goods from which, this figure included, nothing is charged
 */
public record PriceRule(Basis basis, Optional<BigDecimal> freeFrom) {
    public PriceRule {
        freeFrom = freeFrom == null ? Optional.empty() : freeFrom;
    }

    public static PriceRule fixed(String price) {
        return new PriceRule(new Fixed(new BigDecimal(price)), Optional.empty());
    }

    /** How a price is found before free-from. Amounts are in the shop's currency, as the shelf prices are. */
    public sealed interface Basis {}

    /** One price an order. */
    public record Fixed(BigDecimal price) implements Basis {}

    /**
     * Bands up to and including their figure.
     *
     * @param unit  {@code kg g lb oz} for weight, {@code items} for quantity, or the currency's code for value
     * @param bands ascending, at least one
     * @param then  what each started step above the last band adds; without it nothing is offered there
     */
    public record Bands(String unit, List<Band> bands, Optional<Then> then) implements Basis {
        public static final String ITEMS = "items";

        public Bands {
            bands = bands == null ? List.of() : List.copyOf(bands);
            then = then == null ? Optional.empty() : then;
        }
    }

    /**
     * A base and something on top: an amount for each kilogram or item, or a percent of the value of what is sent.
     *
     * @param per {@code kg g lb oz}, {@code items}, or {@code %}
     */
    public record BasePlus(BigDecimal base, BigDecimal plus, String per) implements Basis {
        public static final String PERCENT = "%";
    }

    public record Band(BigDecimal upTo, BigDecimal price) {}

    public record Then(BigDecimal step, BigDecimal price) {}
}
