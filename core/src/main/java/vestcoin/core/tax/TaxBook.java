package vestcoin.core.tax;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Optional;
import vestcoin.core.place.PlaceIndex;

/** The tax book, ready to answer which rate a category bears in a place on a day. */
public final class TaxBook {
    /**
     * A rate with the row of the book it stands in. @param authority who levies it where neither component nor row say
     */
    public record Levy(Tax.PlaceRates row, String category, Tax.Rate rate, String authority) {
        public String path() {
            return "tax/places/" + row.id() + "/rates/" + category;
        }

        /**
         * As the row says; else component by component, but in the United States once for the sum of state and local
         * rates (Streamlined Sales and Use Tax Agreement, section 324 [from memory]).
         */
        Tax.RoundedBy rounded() {
            return row.rounding()
                    .orElse(
                            authority.equals("US") || authority.startsWith("US-")
                                    ? Tax.RoundedBy.SUM
                                    : Tax.RoundedBy.COMPONENT);
        }

        Levy at(Tax.Rate charged) {
            return charged == rate ? this : new Levy(row, category, charged, authority);
        }
    }

    private final PlaceIndex<Tax.PlaceRates> rows;
    private final boolean dated;

    private TaxBook(PlaceIndex<Tax.PlaceRates> rows, boolean dated) {
        this.rows = rows;
        this.dated = dated;
    }

    public static TaxBook of(Tax tax) {
        return new TaxBook(
                PlaceIndex.of(tax.places().stream().map(TaxBook::entry).toList()),
                tax.places().stream().anyMatch(row -> row.valid().isPresent()));
    }

    private static PlaceIndex.Entry<Tax.PlaceRates> entry(Tax.PlaceRates row) {
        return new PlaceIndex.Entry<>(row.id(), row, row.places(), row.except());
    }

    /** When an order is placed. @param zone the shop's, for places that have no zone of their own */
    public record When(Instant at, ZoneId zone) {}

    /** The book at the time of an order. */
    public DatedTaxBook on(When when) {
        return new DatedTaxBook(rows, dated ? Optional.of(when) : Optional.empty());
    }
}
