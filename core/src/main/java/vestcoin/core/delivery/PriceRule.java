package vestcoin.core.delivery;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * What a delivery option costs in a zone: one cell of the rate sheet.
 *
 * @param basis how the price is found
 * @param freeFrom value of the goods from which, this figure included, nothing is charged
 * @param reducedTo what is charged from that value on instead of nothing
 * @param notCounting tax categories, product groups or handling groups whose goods do not count to it
 * @param notWith those with which it does not hold at all
 */
@RecordBuilder
public record PriceRule(
        Basis basis,
        Optional<BigDecimal> freeFrom,
        Optional<BigDecimal> reducedTo,
        List<String> notCounting,
        List<String> notWith) {
    public PriceRule {
        freeFrom = freeFrom == null ? Optional.empty() : freeFrom;
        reducedTo = reducedTo == null ? Optional.empty() : reducedTo;
        notCounting = notCounting == null ? List.of() : List.copyOf(notCounting);
        notWith = notWith == null ? List.of() : List.copyOf(notWith);
    }

    public PriceRule(Basis basis, Optional<BigDecimal> freeFrom) {
        this(basis, freeFrom, Optional.empty(), List.of(), List.of());
    }

    public static PriceRule fixed(String price) {
        return new PriceRule(new Fixed(new BigDecimal(price), false), Optional.empty());
    }

    /** How a price is found before free-from. Amounts are in the shop's currency, as the shelf prices are. */
    public sealed interface Basis {}

    /** One price an order, or a parcel. */
    public record Fixed(BigDecimal price, boolean perParcel) implements Basis {}

    /**
     * Bands up to and including their figure.
     *
     * @param unit {@code kg g lb oz} for weight, {@code items} for quantity, {@code km mi} for distance, or the
     *     currency's code for value
     * @param bands ascending, at least one
     * @param then what each started step above the last band adds; without it nothing is offered there
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

    /**
     * Each product's own delivery price: one unit pays its price alone, every other its price with others. Of the
     * products with the dearest price alone, the one that makes the total lowest pays it.
     */
    public record ByProduct() implements Basis {}

    /**
     * What a carrier answers for the parcels.
     *
     * @param service id of the carrier's service
     * @param otherwise used, and said so, when the carrier did not answer
     */
    public record CarrierQuote(String service, BigDecimal otherwise) implements Basis {}

    public record Band(BigDecimal upTo, BigDecimal price) {}

    public record Then(BigDecimal step, BigDecimal price) {}
}
