package vestcoin.core.tax;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.place.Destination;
import vestcoin.core.place.PlaceIndex;
import vestcoin.core.place.PlaceIndex.Match;

/** The tax book, ready to answer which rate a category bears in a place. */
public final class TaxBook {
    /** A rate with the row of the book it stands in. */
    public record Levy(Tax.PlaceRates row, String category, Tax.Rate rate) {
        public String path() {
            return "tax/places/" + row.id() + "/rates/" + category;
        }
    }

    private static final Tax.DeliveryTax LIKE_GOODS = new Tax.DeliveryTax(Tax.Way.LIKE_GOODS, Optional.empty());

    private final Map<String, PlaceIndex<Levy>> byCategory = new HashMap<>();

    private final PlaceIndex<Tax.DeliveryTax> deliveries;

    private TaxBook(PlaceIndex<Tax.DeliveryTax> deliveries) {
        this.deliveries = deliveries;
    }

    public static TaxBook of(Tax tax) {
        TaxBook book = new TaxBook(PlaceIndex.of(tax.places().stream().filter(row -> row.delivery().isPresent())
                .map(row -> new PlaceIndex.Entry<>(row.id(), row.delivery().get(), row.places(), row.except())).toList()));
        for (Tax.Category category : tax.categories()) {
            List<PlaceIndex.Entry<Levy>> entries = tax.places().stream()
                    .filter(row -> row.rates().containsKey(category.id()))
                    .map(row -> new PlaceIndex.Entry<>(row.id(), new Levy(row, category.id(), row.rates().get(category.id())),
                            row.places(), row.except()))
                    .toList();
            book.byCategory.put(category.id(), PlaceIndex.of(entries));
        }
        return book;
    }

    /** How delivery to a destination is taxed. */
    public Tax.DeliveryTax delivery(Destination destination) {
        return deliveries.find(destination).map(Match::value).orElse(LIKE_GOODS);
    }

    /** The levy on a category at a destination, or nothing when the book has no answer. */
    public Optional<Match<Levy>> find(Destination destination, String category) {
        return byCategory.get(category).find(destination);
    }
}
