package vestcoin.core.tax;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

    public enum Prices { WITH_TAX, WITHOUT_TAX }

    /** A kind of goods that is taxed alike. */
    public record Category(String id, String name) {}

    /**
     * A row of the tax book.
     *
     * @param rates category id to what is levied; a category that is not there has no answer for this place
     */
    public record PlaceRates(String id, String name, List<Place> places, List<Place> except, Map<String, Rate> rates) {
        public PlaceRates {
            places = places == null ? List.of() : List.copyOf(places);
            except = except == null ? List.of() : List.copyOf(except);
            rates = rates == null ? Map.of() : java.util.Collections.unmodifiableMap(new LinkedHashMap<>(rates));
        }
    }

    /** What is levied on one category in one place: one or more components, each on the price itself. */
    public record Rate(List<Component> components) {
        public Rate {
            components = components == null ? List.of() : List.copyOf(components);
        }

        public static Rate of(String name, String percent) {
            return new Rate(List.of(new Component(name, new BigDecimal(percent))));
        }
    }

    /**
     * One levy.
     *
     * @param name    as printed, such as VAT
     * @param percent of the price without tax, 0 to 100
     */
    public record Component(String name, BigDecimal percent) {}
}
