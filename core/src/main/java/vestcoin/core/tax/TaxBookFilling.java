package vestcoin.core.tax;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.VatTerritory;

/**
 * Rows for a tax book out of the {@link Reference}, for places sold to that the book has no row for. Each is marked
 * with the day of the reference until the seller confirms it.
 *
 * <p>With a country come the places within it that have rates of their own. A category is filled with the kind of rate
 * it bears at home: standard where that is standard there. Where a place has several rates of that kind, or none, the
 * cell stays empty, since only the seller knows the goods. In a book without a home row the first category is taken to
 * be the standard one.
 */
public final class TaxBookFilling {
    private static final String STANDARD = "standard";

    private TaxBookFilling() {}

    /**
     * @param soldTo of groups only those of the European Union are taken apart; for the wider ones the shop's own place
     *     is filled
     */
    public static List<Tax.PlaceRates> of(Tax tax, Destination home, List<Place> soldTo) {
        Map<String, String> kinds = kinds(tax, home);
        List<Tax.PlaceRates> rows = new ArrayList<>();
        Set<String> taken = new LinkedHashSet<>();
        tax.places().forEach(row -> taken.add(row.id()));
        Set<String> wanted = wanted(home, soldTo);
        for (String place : wanted) {
            List<Reference.Row> published = Reference.of(place);
            if (!published.isEmpty()
                    && tax.places().stream().noneMatch(row -> row.places().contains(Place.parse(place)))) {
                rows.add(row(List.of(Place.parse(place)), Countries.name(place), free(place, taken), published, kinds));
            }
        }
        for (VatTerritory.OwnRates own : VatTerritory.withOwnRates()) {
            if (wanted.contains(own.country())
                    && tax.places().stream()
                            .noneMatch(row -> row.places().stream().anyMatch(own.places()::contains))) {
                rows.add(row(own.places(), own.name(), free(own.id(), taken), Reference.of(own.id()), kinds));
            }
        }
        return rows;
    }

    private static Set<String> wanted(Destination home, List<Place> soldTo) {
        Set<String> wanted = new LinkedHashSet<>(List.of(
                home.region().filter(region -> !Reference.of(region).isEmpty()).orElse(home.country())));
        for (Place place : soldTo) {
            if (place instanceof Place.Group group
                    && (group.name().equals("EU") || group.name().equals("EURO"))) {
                Groups.countriesOf(group.name()).stream().sorted().forEach(wanted::add);
            } else if (place instanceof Place.Country || place instanceof Place.Subdivision) {
                wanted.add(place.text());
            }
        }
        return wanted;
    }

    /** Category id to the kind of rate it bears at home. */
    private static Map<String, String> kinds(Tax tax, Destination home) {
        Map<String, String> kinds = new LinkedHashMap<>();
        Optional<Tax.PlaceRates> row = tax.places().stream()
                .filter(each -> each.places().contains(new Place.Country(home.country())))
                .findFirst();
        if (row.isEmpty()) {
            tax.categories().stream().findFirst().ifPresent(first -> kinds.put(first.id(), STANDARD));
            return kinds;
        }
        row.get().rates().forEach((category, rate) -> Reference.of(home.country()).stream()
                .filter(each -> each.rate().total().compareTo(rate.total()) == 0)
                .findFirst()
                .ifPresent(found -> kinds.put(category, found.kind())));
        return kinds;
    }

    private static Tax.PlaceRates row(
            List<Place> places, String name, String id, List<Reference.Row> published, Map<String, String> kinds) {
        Map<String, Tax.Rate> rates = new LinkedHashMap<>();
        kinds.forEach((category, kind) -> {
            List<Reference.Row> alike =
                    published.stream().filter(row -> row.kind().equals(kind)).toList();
            if (alike.size() == 1) {
                rates.put(category, alike.get(0).rate());
            }
        });
        boolean american = places.stream().allMatch(place -> place.reaches("US"));
        return new Tax.PlaceRates(
                id,
                name,
                places,
                List.of(),
                rates,
                Optional.empty(),
                null,
                null,
                american ? Optional.of(Tax.RoundedBy.SUM) : null,
                Optional.of(published.get(0).lookedAt()));
    }

    private static String free(String place, Set<String> taken) {
        String id = place.toLowerCase(Locale.ROOT);
        for (int next = 2; !taken.add(id); next++) {
            id = place.toLowerCase(Locale.ROOT) + "-" + next;
        }
        return id;
    }
}
