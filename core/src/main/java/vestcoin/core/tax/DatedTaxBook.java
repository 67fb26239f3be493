package vestcoin.core.tax;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.PlaceIndex.Match;
import vestcoin.core.place.TimeZones;
import vestcoin.core.place.VatTerritory;

/** The tax book at the time of an order. What it says of a place is found once, however many categories are asked. */
public final class DatedTaxBook {
    private static final Tax.DeliveryTax LIKE_GOODS = new Tax.DeliveryTax(Tax.Way.LIKE_GOODS, Optional.empty());

    private final PlaceIndex<Tax.PlaceRates> rows;
    private final Optional<TaxBook.When> when;
    private final Map<Destination, PlaceRules> places = new ConcurrentHashMap<>();

    /** The rows about a place. @param at for the land whose territory it is treated as */
    private record PlaceRules(Destination at, PlaceIndex.Rules<Tax.PlaceRates> rules, Predicate<Tax.PlaceRates> valid) {
        Optional<Match<Tax.PlaceRates>> find(Predicate<Tax.PlaceRates> answers) {
            return rules.find(row -> answers.test(row) && valid.test(row));
        }
    }

    /** @param when nothing where no row has dates */
    DatedTaxBook(PlaceIndex<Tax.PlaceRates> rows, Optional<TaxBook.When> when) {
        this.rows = rows;
        this.when = when;
    }

    /** How delivery to a destination is taxed. */
    public Tax.DeliveryTax delivery(Destination destination) {
        return at(destination)
                .find(row -> row.delivery().isPresent())
                .map(match -> match.value().delivery().orElse(LIKE_GOODS))
                .orElse(LIKE_GOODS);
    }

    /** The levy on a category at a destination, or nothing when the book has no answer. */
    public Optional<TaxBook.Levy> find(Destination destination, String category) {
        PlaceRules place = at(destination);
        return place.find(row -> row.rates().containsKey(category))
                .map(match -> new TaxBook.Levy(
                        match.value(),
                        category,
                        match.value().rates().get(category),
                        match.by() instanceof Place.Subdivision subdivision
                                ? subdivision.code()
                                : place.at().country()));
    }

    /** Ids of other rows that hold a category at a destination just as well as the one that is used. */
    public List<String> tied(Destination destination, String category) {
        return at(destination)
                .find(row -> row.rates().containsKey(category))
                .map(Match::tied)
                .orElse(List.of());
    }

    private PlaceRules at(Destination destination) {
        PlaceRules known = places.get(destination);
        if (known == null) {
            known = found(destination);
            places.put(destination, known);
        }
        return known;
    }

    /** Rows hold by the calendar date at the destination. */
    private PlaceRules found(Destination to) {
        Destination at = VatTerritory.ratesOf(to);
        if (when.isEmpty()) {
            return new PlaceRules(at, rows.at(at), row -> true);
        }
        TaxBook.When order = when.get();
        LocalDate day = LocalDate.ofInstant(order.at(), TimeZones.of(at.country(), order.at(), order.zone()));
        return new PlaceRules(at, rows.at(at), row -> row.valid()
                .map(window -> window.holds(day))
                .orElse(true));
    }
}
