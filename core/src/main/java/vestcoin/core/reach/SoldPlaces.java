package vestcoin.core.reach;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.setup.CompiledSetup;

/**
 * Every place sold to: each country, and of a country with rules for parts of it one place of each part, so that
 * nothing sold to is left out.
 */
public final class SoldPlaces {
    private SoldPlaces() {}

    /** By country, the country itself before its parts. */
    public static List<Destination> of(CompiledSetup setup) {
        Set<Destination> sold = new LinkedHashSet<>();
        List<Destination> parts = parts(setup);
        Countries.all().stream().sorted().forEach(code -> {
            add(setup, Destination.of(code), sold);
            parts.stream().filter(part -> part.country().equals(code)).forEach(part -> add(setup, part, sold));
        });
        return List.copyOf(sold);
    }

    private static void add(CompiledSetup setup, Destination to, Set<Destination> sold) {
        if (setup.sellsTo().find(to).isPresent()) {
            sold.add(to);
        }
    }

    /** One place of each part that is named anywhere: where it is sold to, delivered to or taxed. */
    private static List<Destination> parts(CompiledSetup setup) {
        List<Place> named = new ArrayList<>(setup.setup().shop().sellsTo());
        setup.setup().delivery().zones().forEach(zone -> {
            named.addAll(zone.places());
            named.addAll(zone.except());
        });
        setup.setup().tax().places().forEach(row -> {
            named.addAll(row.places());
            named.addAll(row.except());
        });
        return named.stream()
                .filter(place -> !(place instanceof Place.Group || place instanceof Place.Country))
                .distinct()
                .flatMap(place -> Stream.concat(
                                Stream.of(setup.home()).filter(place::contains),
                                Place.samples(place).stream().filter(Destination::whole))
                        .limit(1))
                .distinct()
                .toList();
    }
}
