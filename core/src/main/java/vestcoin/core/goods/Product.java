package vestcoin.core.goods;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A thing for sale.
 *
 * @param id          never changes once an order has it
 * @param name        as the buyer reads it
 * @param kind        whether it has to be delivered, and how its price is found
 * @param price       the shelf price in the shop's currency, with or without tax as the tax station says; of one unit of
 *                    the measure where there is one
 * @param category    id of the tax category
 * @param weight      of one unit; needed where delivery is priced by weight
 * @param options     choices the buyer makes before the basket, each compulsory
 * @param sale        a lower price for some days
 * @param breaks      lower prices from a quantity on
 * @param measure     for goods sold by length, weight or volume instead of by the piece
 * @param bounds      least and most a buyer may give; for donations
 * @param groupPrices a price of its own for a buyer group, by the group's id
 */
public record Product(
        String id, String name, Kind kind, BigDecimal price, String category, Optional<Weight> weight, List<Option> options,
        Optional<Sale> sale, List<Break> breaks, Optional<Measure> measure, Optional<Bounds> bounds, Map<String, BigDecimal> groupPrices) {

    /** A donation is an amount the buyer chooses: never discounted, never counted to thresholds. */
    public enum Kind { PHYSICAL, DIGITAL, SERVICE, DONATION }

    /** One question to the buyer, such as the size. */
    public record Option(String id, String name, List<Choice> choices) {
        public Option {
            choices = choices == null ? List.of() : List.copyOf(choices);
        }
    }

    /**
     * One answer to the question.
     *
     * @param extra   added to the base price, may be negative; an amount in the shop's currency
     * @param percent added to the base price, in percent of it
     */
    public record Choice(String id, String name, Optional<BigDecimal> extra, Optional<BigDecimal> percent) {
        public Choice {
            extra = extra == null ? Optional.empty() : extra;
            percent = percent == null ? Optional.empty() : percent;
        }
    }

    public record Sale(BigDecimal price, Window window) {}

    /**
     * A lower base price from a quantity on, that figure included.
     *
     * @param price   replaces the base price
     * @param percent taken off the base price; used when there is no price
     */
    public record Break(BigDecimal from, Optional<BigDecimal> price, Optional<BigDecimal> percent) {
        public Break {
            price = price == null ? Optional.empty() : price;
            percent = percent == null ? Optional.empty() : percent;
        }
    }

    /** @param unit what one is called, such as m @param step quantities are whole numbers of steps */
    public record Measure(String unit, BigDecimal step, BigDecimal least, BigDecimal most) {}

    public record Bounds(BigDecimal least, BigDecimal most) {}

    public Product {
        options = options == null ? List.of() : List.copyOf(options);
        weight = weight == null ? Optional.empty() : weight;
        sale = sale == null ? Optional.empty() : sale;
        breaks = breaks == null ? List.of() : List.copyOf(breaks);
        measure = measure == null ? Optional.empty() : measure;
        bounds = bounds == null ? Optional.empty() : bounds;
        groupPrices = groupPrices == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(groupPrices));
    }

    public static Product of(String id, String name, Kind kind, BigDecimal price, String category, Optional<Weight> weight, List<Option> options) {
        return new Product(id, name, kind, price, category, weight, options, Optional.empty(), List.of(), Optional.empty(), Optional.empty(), Map.of());
    }

    public boolean physical() {
        return kind == Kind.PHYSICAL;
    }

    public boolean donation() {
        return kind == Kind.DONATION;
    }
}
