package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.place.Place;

/**
 * The Tax station of a setup.
 *
 * @param prices     whether every amount the seller types has its tax inside
 * @param categories how goods are taxed, in the seller's order
 * @param places     the tax book: a row a place
 */
public record Tax(Prices prices, List<Category> categories, List<PlaceRates> places) {
    public Tax {
        categories = categories == null ? List.of() : List.copyOf(categories);
        places = places == null ? List.of() : List.copyOf(places);
    }

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    public enum Prices { WITH_TAX, WITHOUT_TAX }

    /** A kind of goods that is taxed alike. */
    public record Category(String id, String name) {}

    /**
     * A row of the tax book.
     *
     * @param rates    category id to what is levied; a category that is not there has no answer for this place
     * @param delivery how delivery to this place is taxed; like the goods it carries unless said otherwise
     */
    public record PlaceRates(String id, String name, List<Place> places, List<Place> except, Map<String, Rate> rates, Optional<DeliveryTax> delivery) {
        public PlaceRates {
            delivery = delivery == null ? Optional.empty() : delivery;
            places = places == null ? List.of() : List.copyOf(places);
            except = except == null ? List.of() : List.copyOf(except);
            rates = rates == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(rates));
        }
    }

    /** How delivery is taxed. @param category id of the tax category, for {@code OWN_CATEGORY} */
    public record DeliveryTax(Way way, Optional<String> category) {
        public DeliveryTax {
            category = category == null ? Optional.empty() : category;
        }
    }

    /** The four ways to tax delivery. */
    public enum Way { LIKE_GOODS, HIGHEST_RATE, OWN_CATEGORY, NOT_TAXED }

    /** What is levied on one category in one place: one or more components. */
    public record Rate(List<Component> components) {
        public Rate {
            components = components == null ? List.of() : List.copyOf(components);
        }

        /**
         * What each component comes to in percent of the price without tax: its own percent, and where it is levied on
         * the components before it, its percent of those. Exact.
         */
        public List<BigDecimal> effective() {
            List<BigDecimal> effective = new ArrayList<>();
            BigDecimal before = BigDecimal.ZERO;
            for (Component component : components) {
                BigDecimal base = component.onOthers() ? HUNDRED.add(before) : HUNDRED;
                BigDecimal own = component.percent().multiply(base).movePointLeft(2).stripTrailingZeros();
                effective.add(own.scale() < 0 ? own.setScale(0) : own);
                before = before.add(own);
            }
            return effective;
        }

        /** All components together, in percent of the price without tax. */
        public BigDecimal total() {
            return effective().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        }

        public static Rate of(String name, String percent) {
            return new Rate(List.of(new Component(name, new BigDecimal(percent))));
        }
    }

    /**
     * One levy.
     *
     * @param name    as printed, such as VAT
     * @param percent  of the price without tax, 0 to 100
     * @param onOthers whether it is also levied on the components before it
     */
    public record Component(String name, BigDecimal percent, boolean onOthers) {
        public Component(String name, BigDecimal percent) {
            this(name, percent, false);
        }
    }
}
