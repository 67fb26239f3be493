package vestcoin.core.goods;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What delivery needs to know of a thing. What a product does not say its group says.
 *
 * @param size of one, packed as it is sold
 * @param upright has to stand on its base
 * @param alone gets a parcel of its own
 * @param preparation working days until one is ready to leave
 * @param handling id of a handling group of the delivery station
 * @param tariff tariff code for customs
 * @param origin country it was made in
 * @param from id of the dispatch place it leaves from; the shop unless said otherwise
 * @param own its own delivery price, for options that charge by product
 */
@RecordBuilder
public record ShippingTraits(
        Optional<Size> size,
        boolean upright,
        boolean alone,
        Optional<Integer> preparation,
        Optional<String> handling,
        Optional<String> tariff,
        Optional<String> origin,
        Optional<String> from,
        Optional<Own> own) {
    public static final ShippingTraits NOTHING = ShippingTraitsBuilder.builder().build();

    /**
     * A delivery price of its own, in the shop's currency.
     *
     * @param alone price of one that travels alone
     * @param withOthers price of each that travels with others
     * @param zones zone id to the pair that holds there instead
     */
    public record Own(BigDecimal alone, BigDecimal withOthers, Map<String, Pair> zones) {
        public Own {
            zones = zones == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(zones));
        }

        /** What holds in a zone. @param zone its id; any other text for a place in none */
        public Pair in(String zone) {
            Pair there = zones.get(zone);
            return there != null ? there : new Pair(alone, withOthers);
        }
    }

    /** @param alone price of one that travels alone @param withOthers price of each that travels with others */
    public record Pair(BigDecimal alone, BigDecimal withOthers) {}

    public ShippingTraits {
        size = size == null ? Optional.empty() : size;
        preparation = preparation == null ? Optional.empty() : preparation;
        handling = handling == null ? Optional.empty() : handling;
        tariff = tariff == null ? Optional.empty() : tariff;
        origin = origin == null ? Optional.empty() : origin;
        from = from == null ? Optional.empty() : from;
        own = own == null ? Optional.empty() : own;
    }

    /** This, with what it does not say taken from a group. */
    ShippingTraits or(ShippingTraits group) {
        return new ShippingTraits(
                size.or(group::size),
                upright || group.upright,
                alone || group.alone,
                preparation.or(group::preparation),
                handling.or(group::handling),
                tariff.or(group::tariff),
                origin.or(group::origin),
                from.or(group::from),
                own.or(group::own));
    }
}
