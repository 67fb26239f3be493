package vestcoin.core.delivery;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Weight;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.Point;

/**
 * The Delivery station of a setup.
 *
 * @param zones in the seller's order
 * @param options in the seller's order
 * @param parcels what things are packed into; without any they travel as they are
 * @param handling groups of goods that cost more to send
 * @param dispatch places goods leave from besides the shop
 * @param byHand whether buyers see options in the seller's order instead of the cheapest first
 */
@RecordBuilder
public record Delivery(
        List<Zone> zones,
        List<Option> options,
        List<ParcelType> parcels,
        List<Handling> handling,
        List<Dispatch> dispatch,
        boolean byHand) {
    public Delivery {
        zones = zones == null ? List.of() : List.copyOf(zones);
        options = options == null ? List.of() : List.copyOf(options);
        parcels = parcels == null ? List.of() : List.copyOf(parcels);
        handling = handling == null ? List.of() : List.copyOf(handling);
        dispatch = dispatch == null ? List.of() : List.copyOf(dispatch);
    }

    public Delivery(List<Zone> zones, List<Option> options) {
        this(zones, options, List.of(), List.of(), List.of(), false);
    }

    /**
     * Places that share their delivery prices.
     *
     * @param except places taken out; they fall to the next less specific zone
     * @param rates option id to price; an option that is not there is not offered in this zone
     * @param days option id to the days it takes to this zone, where they are others than the option's
     * @param costs option id to what its carrier asks of the seller, without the tax that is deducted; in no price
     */
    public record Zone(
            String id,
            String name,
            List<Place> places,
            List<Place> except,
            Map<String, PriceRule> rates,
            Map<String, Days> days,
            Map<String, PriceRule.Basis> costs) {
        public Zone(String id, String name, List<Place> places, List<Place> except, Map<String, PriceRule> rates) {
            this(id, name, places, except, rates, Map.of(), Map.of());
        }

        public Zone {
            days = days == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(days));
            costs = costs == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(costs));
            places = places == null ? List.of() : List.copyOf(places);
            except = except == null ? List.of() : List.copyOf(except);
            rates = rates == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(rates));
        }
    }

    /**
     * A way of sending.
     *
     * @param sentence what the buyer reads under the name
     * @param days working days of the carrier from leaving to arrival
     * @param limits what it does not carry
     * @param charges what comes on top of the zone's price
     * @param chargeable how the carrier finds the weight it charges; the packed weight without it
     * @param tracking how a parcel is followed
     * @param parcelShop whether it goes to a parcel shop of the carrier's, which the buyer picks
     */
    public record Option(
            String id,
            String name,
            String sentence,
            Optional<Days> days,
            Optional<Limits> limits,
            Optional<Charges> charges,
            Optional<ChargeableWeight> chargeable,
            Optional<Tracking> tracking,
            boolean parcelShop) {
        public Option {
            sentence = sentence == null ? "" : sentence;
            days = days == null ? Optional.empty() : days;
            limits = limits == null ? Optional.empty() : limits;
            charges = charges == null ? Optional.empty() : charges;
            chargeable = chargeable == null ? Optional.empty() : chargeable;
            tracking = tracking == null ? Optional.empty() : tracking;
        }

        /** As it is in a zone, with the days it takes there. */
        Option in(Zone zone) {
            Days there = zone.days().get(id);
            return there == null
                    ? this
                    : new Option(
                            id, name, sentence, Optional.of(there), limits, charges, chargeable, tracking, parcelShop);
        }

        public Option(
                String id,
                String name,
                String sentence,
                Optional<Days> days,
                Optional<Limits> limits,
                Optional<Charges> charges,
                Optional<ChargeableWeight> chargeable) {
            this(id, name, sentence, days, limits, charges, chargeable, Optional.empty(), false);
        }

        public Option(String id, String name, String sentence, Optional<Days> days, Optional<Limits> limits) {
            this(id, name, sentence, days, limits, Optional.empty(), Optional.empty(), Optional.empty(), false);
        }
    }

    /**
     * How parcels of an option are followed.
     *
     * @param carrier as the buyer reads it; may be empty
     * @param link an address with {@code {number}} where the parcel's number goes
     */
    public record Tracking(String carrier, Optional<String> link) {
        /** What stands in a link for the number. */
        public static final String NUMBER = "{number}";

        public Tracking {
            carrier = carrier == null ? "" : carrier;
            link = link == null ? Optional.empty() : link;
        }

        /** Where a parcel is followed, its number written as an address has it (RFC 3986). */
        public Optional<String> follow(String number) {
            return number.isEmpty()
                    ? Optional.empty()
                    : link.map(pattern -> pattern.replace(
                            NUMBER,
                            URLEncoder.encode(number, StandardCharsets.UTF_8).replace("+", "%20")));
        }
    }

    /**
     * What an option does not carry; all figures are included.
     *
     * @param weightTo heaviest load
     * @param valueFrom least value of what is sent
     * @param valueTo most value of what is sent
     * @param quantityTo most things
     * @param except tax categories, product groups or handling groups it does not carry
     * @param only the only ones it carries; all when empty
     * @param longestTo longest side of a parcel
     * @param girthTo most of length and girth together
     * @param weekdays days of the week an order may be placed on; all when empty
     * @param methods ids of the payment methods it goes with; all when empty
     * @param groups ids of the buyer groups it is for; everybody when empty
     */
    @RecordBuilder
    public record Limits(
            Optional<Weight> weightTo,
            Optional<BigDecimal> valueFrom,
            Optional<BigDecimal> valueTo,
            Optional<BigDecimal> quantityTo,
            List<String> except,
            List<String> only,
            Optional<Length> longestTo,
            Optional<Length> girthTo,
            List<DayOfWeek> weekdays,
            List<String> methods,
            List<String> groups) {
        public Limits {
            weightTo = weightTo == null ? Optional.empty() : weightTo;
            valueFrom = valueFrom == null ? Optional.empty() : valueFrom;
            valueTo = valueTo == null ? Optional.empty() : valueTo;
            quantityTo = quantityTo == null ? Optional.empty() : quantityTo;
            except = except == null ? List.of() : List.copyOf(except);
            only = only == null ? List.of() : List.copyOf(only);
            longestTo = longestTo == null ? Optional.empty() : longestTo;
            girthTo = girthTo == null ? Optional.empty() : girthTo;
            weekdays = weekdays == null ? List.of() : List.copyOf(weekdays);
            methods = methods == null ? List.of() : List.copyOf(methods);
            groups = groups == null ? List.of() : List.copyOf(groups);
        }

        public Limits(
                Optional<Weight> weightTo,
                Optional<BigDecimal> valueFrom,
                Optional<BigDecimal> valueTo,
                Optional<BigDecimal> quantityTo,
                List<String> except) {
            this(weightTo, valueFrom, valueTo, quantityTo, except, null, null, null, null, null, null);
        }
    }

    public record Days(int from, int to) {}

    /**
     * Goods that cost more to send.
     *
     * @param amount in the shop's currency, or in percent of the value
     * @param per what it is charged for
     * @param always whether it is charged even where delivery is free
     */
    public record Handling(String id, String name, BigDecimal amount, Per per, boolean always) {
        public Handling(String id, String name, BigDecimal amount, Per per) {
            this(id, name, amount, per, false);
        }

        public enum Per {
            ORDER,
            UNIT,
            KG,
            PERCENT
        }
    }

    /**
     * A place goods leave from.
     *
     * @param preparation working days it needs, where a product does not say
     * @param options ids of the options offered from there; all when empty
     * @param email who there is told what to send; nobody when empty
     */
    public record Dispatch(
            String id,
            String name,
            Destination at,
            Optional<Point> point,
            Optional<Integer> preparation,
            List<String> options,
            String email) {
        /** The id of the shop itself. */
        public static final String SHOP = "shop";

        public Dispatch {
            point = point == null ? Optional.empty() : point;
            preparation = preparation == null ? Optional.empty() : preparation;
            options = options == null ? List.of() : List.copyOf(options);
            email = email == null ? "" : email.strip();
        }
    }
}
