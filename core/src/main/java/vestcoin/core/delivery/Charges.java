package vestcoin.core.delivery;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import vestcoin.core.goods.Length;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Ending;

/**
 * What comes on top of a delivery price, in this order: percent and amount, handling groups, oversize, fuel on that
 * sum, then the least and the most; a free-from frees all but what is always charged; rounding; the ending.
 *
 * @param percent of the price
 * @param amount on top
 * @param dearestOnly of several handling groups only the dearest is charged; each otherwise
 * @param oversize for parcels that are large or heavy
 * @param fuel percent of the sum so far
 * @param least never less, before free-from
 * @param most never more
 * @param ending what the price is brought to
 */
@RecordBuilder
public record Charges(
        Optional<BigDecimal> percent,
        Optional<BigDecimal> amount,
        boolean dearestOnly,
        List<Oversize> oversize,
        Optional<BigDecimal> fuel,
        Optional<BigDecimal> least,
        Optional<BigDecimal> most,
        Optional<Ending> ending) {
    public Charges {
        percent = percent == null ? Optional.empty() : percent;
        amount = amount == null ? Optional.empty() : amount;
        oversize = oversize == null ? List.of() : List.copyOf(oversize);
        fuel = fuel == null ? Optional.empty() : fuel;
        least = least == null ? Optional.empty() : least;
        most = most == null ? Optional.empty() : most;
        ending = ending == null ? Optional.empty() : ending;
    }

    static final Charges NONE = ChargesBuilder.builder().build();

    /**
     * A surcharge for each parcel above any of its figures.
     *
     * @param always whether it is charged even where delivery is free
     */
    public record Oversize(
            String id,
            String name,
            Optional<Length> longestOver,
            Optional<Length> girthOver,
            Optional<Weight> weightOver,
            BigDecimal amount,
            boolean always) {
        public Oversize {
            longestOver = longestOver == null ? Optional.empty() : longestOver;
            girthOver = girthOver == null ? Optional.empty() : girthOver;
            weightOver = weightOver == null ? Optional.empty() : weightOver;
        }
    }
}
