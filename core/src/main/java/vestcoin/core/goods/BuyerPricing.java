package vestcoin.core.goods;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;

/**
 * Who buys and when, as far as unit prices depend on it.
 *
 * @param zone the shop's
 * @param group id of the buyer group
 * @param rates what is done to typed amounts for this buyer
 */
public record BuyerPricing(Instant at, ZoneId zone, Optional<String> group, Rates rates) {

    /** How typed amounts go out of the home rate and into the one this buyer bears. */
    public interface Rates {
        /** Of a product's price, taxed in a category; nothing where it stands. */
        Optional<Rerate> of(Product product, String category);

        /**
         * Of what is charged for carrying lines, as far as it falls on one of them: by the delivery rules of home and
         * destination.
         */
        Optional<Rerate> carrying(PricedLine line, List<PricedLine> lines);
    }

    /** What is done where typed amounts stand for every buyer. */
    public static final Rates STANDS = new Rates() {
        @Override
        public Optional<Rerate> of(Product product, String category) {
            return Optional.empty();
        }

        @Override
        public Optional<Rerate> carrying(PricedLine line, List<PricedLine> lines) {
            return Optional.empty();
        }
    };

    public BuyerPricing(Instant at, ZoneId zone, Optional<String> group) {
        this(at, zone, group, STANDS);
    }

    /** Whether typed amounts are what this buyer pays. */
    public boolean stands() {
        return rates == STANDS;
    }

    /** The same buyer at the shelf-price figures. */
    BuyerPricing atShelf() {
        return new BuyerPricing(at, zone, group);
    }
}
