package vestcoin.core.delivery;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Weight;
import vestcoin.core.place.Place;

/**
 * The Delivery station of a setup.
 *
 * @param zones   in the seller's order
 * @param options in the seller's order
 */
public record Delivery(List<Zone> zones, List<Option> options) {
    public Delivery {
        zones = zones == null ? List.of() : List.copyOf(zones);
        options = options == null ? List.of() : List.copyOf(options);
    }

    /**
     * Places that share their delivery prices.
     *
     * @param except places taken out; they fall to the next less specific zone
     * @param rates  option id to price; an option that is not there is not offered in this zone
     */
    public record Zone(String id, String name, List<Place> places, List<Place> except, Map<String, PriceRule> rates) {
        public Zone {
            places = places == null ? List.of() : List.copyOf(places);
            except = except == null ? List.of() : List.copyOf(except);
            rates = rates == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(rates));
        }
    }

    /**
     * A way of sending.
     *
     * @param sentence what the buyer reads under the name
     * @param days     working days from order to arrival
     * @param limits   what it does not carry
     */
    public record Option(String id, String name, String sentence, Optional<Days> days, Optional<Limits> limits) {
        public Option {
            sentence = sentence == null ? "" : sentence;
            days = days == null ? Optional.empty() : days;
            limits = limits == null ? Optional.empty() : limits;
        }
    }

    /**
     * What an option does not carry; all figures are included.
     *
     * @param weightTo   heaviest load
     * @param valueFrom  least value of what is sent
     * @param valueTo    most value of what is sent
     * @param quantityTo most things
     * @param except     tax categories it does not carry
     */
    public record Limits(Optional<Weight> weightTo, Optional<BigDecimal> valueFrom, Optional<BigDecimal> valueTo, Optional<BigDecimal> quantityTo, List<String> except) {
        public Limits {
            weightTo = weightTo == null ? Optional.empty() : weightTo;
            valueFrom = valueFrom == null ? Optional.empty() : valueFrom;
            valueTo = valueTo == null ? Optional.empty() : valueTo;
            quantityTo = quantityTo == null ? Optional.empty() : quantityTo;
            except = except == null ? List.of() : List.copyOf(except);
        }
    }

    public record Days(int from, int to) {}
}
