package vestcoin.core.goods;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import java.util.function.Function;

/**
 * Who buys and when, as far as unit prices depend on it.
 *
 * @param zone   the shop's
 * @param group  id of the buyer group
 * @param rerate what is done to the typed amounts of a tax category for this buyer, by the category's id
 */
public record Buying(Instant at, ZoneId zone, Optional<String> group, Function<PricedAs, Optional<Rerate>> rerate) {

    /** What is priced. @param category id of the tax category it is taxed in */
    public record PricedAs(Product product, String category) {}

    /** What is done where typed amounts stand for every buyer. */
    public static final Function<PricedAs, Optional<Rerate>> STANDS = as -> Optional.empty();

    public Buying(Instant at, ZoneId zone, Optional<String> group) {
        this(at, zone, group, STANDS);
    }
}
