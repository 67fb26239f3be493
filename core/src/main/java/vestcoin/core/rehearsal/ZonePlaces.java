package vestcoin.core.rehearsal;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.place.Capitals;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Rehearsal.SampleOrder;

/** Places to try orders at: the shop's own, and one of each delivery zone that stands for no others. */
public final class ZonePlaces {
    private ZonePlaces() {}

    /** The shop's own place, then one of each zone in the seller's order. */
    public static List<Destination> of(CompiledSetup setup) {
        Set<Destination> each = new LinkedHashSet<>();
        each.add(setup.home());
        for (Delivery.Zone zone : setup.setup().delivery().zones()) {
            zone.places().stream()
                    .flatMap(ZonePlaces::samples)
                    .filter(Destination::whole)
                    .filter(to -> setup.board()
                            .zoneOf(to)
                            .filter(held -> held.value().id().equals(zone.id()))
                            .isPresent())
                    .findFirst()
                    .ifPresent(each::add);
        }
        return List.copyOf(each);
    }

    /** Of a country whose taxes go by region, its capital first: an address there always names one. */
    private static Stream<Destination> samples(Place place) {
        Stream<Destination> capital = place instanceof Place.Country country
                ? Capitals.of(country.code()).filter(to -> to.region().isPresent()).stream()
                : Stream.empty();
        return Stream.concat(capital, Place.samples(place).stream());
    }

    /** The same with where the sample order goes itself first. */
    public static List<Destination> of(CompiledSetup setup, SampleOrder basket) {
        Set<Destination> each = new LinkedHashSet<>();
        basket.order().to().ifPresent(each::add);
        each.addAll(of(setup));
        return List.copyOf(each);
    }
}
