package vestcoin.core.tax;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.place.TimeZones;
import vestcoin.core.place.VatTerritory;

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

    private static final Tax.DeliveryTax LIKE_GOODS = new Tax.DeliveryTax(Tax.Way.LIKE_GOODS, Optional.empty());

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

    /** How delivery to a destination is taxed. */
    public Tax.DeliveryTax delivery(Destination destination, When when) {
        return find(destination, when, row -> row.delivery().isPresent())
                .map(match -> match.value().delivery().orElse(LIKE_GOODS))
                .orElse(LIKE_GOODS);
    }

    /** The levy on a category at a destination, or nothing when the book has no answer. */
    public Optional<Levy> find(Destination destination, String category, When when) {
        return find(destination, when, row -> row.rates().containsKey(category))
                .map(match -> new Levy(
                        match.value(),
                        category,
                        match.value().rates().get(category),
                        match.by() instanceof Place.Subdivision subdivision
                                ? subdivision.code()
                                : VatTerritory.ratesOf(destination).country()));
    }

    /** Ids of other rows that hold a category at a destination just as well as the one that is used. */
    public List<String> tied(Destination destination, String category, When when) {
        return find(destination, when, row -> row.rates().containsKey(category))
                .map(Match::tied)
                .orElse(List.of());
    }

    /** Rows hold by the calendar date at the destination, and for the land whose territory it is treated as. */
    private Optional<Match<Tax.PlaceRates>> find(Destination to, When when, Predicate<Tax.PlaceRates> answers) {
        Destination destination = VatTerritory.ratesOf(to);
        if (!dated) {
            return rows.find(destination, answers);
        }
        LocalDate day = LocalDate.ofInstant(when.at(), TimeZones.of(destination.country(), when.at(), when.zone()));
        return rows.find(
                destination,
                row -> answers.test(row)
                        && row.valid().map(window -> window.holds(day)).orElse(true));
    }
}
