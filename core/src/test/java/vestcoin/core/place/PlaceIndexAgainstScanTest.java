package vestcoin.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The index against the rule read out plainly: look at every place of every entry and keep the most specific. */
class PlaceIndexAgainstScanTest {
    private static final List<String> PLACES = List.of(
            "IE",
            "DE",
            "GB",
            "US",
            "EU",
            "EURO",
            "EUROPE",
            "AMERICAS",
            "WORLD",
            "US-NC",
            "US-CA",
            "GB-NIR",
            "IE:H91",
            "IE:D01..D24",
            "IE:D",
            "GB:BT",
            "GB:B",
            "GB:BT1",
            "GB:E1",
            "GB:E10",
            "GB:BT1..BT9",
            "US:288",
            "US:28801",
            "US:28000..28999",
            "US:2",
            "DE:1",
            "DE:10",
            "DE:10115",
            "DE:10000..10999",
            "DE:12..12");
    private static final List<Destination> DESTINATIONS = List.of(
            Destination.of("IE"),
            Destination.of("IE", "H91 X2A0"),
            Destination.of("IE", "D06 X2A0"),
            Destination.of("IE", "T12 X2A0"),
            Destination.of("DE"),
            Destination.of("DE", "10115"),
            Destination.of("DE", "12345"),
            Destination.of("DE", "99999"),
            Destination.of("GB"),
            Destination.of("GB", "BT1 5GS"),
            Destination.of("GB", "B1 1AA"),
            Destination.of("GB", "E1 6AN"),
            Destination.of("GB", "E10 5NP"),
            Destination.of("GB", "BT12 5GS"),
            new Destination("GB", Optional.of("GB-NIR"), Optional.of("BT1 5GS")),
            new Destination("US", Optional.of("US-NC"), Optional.of("28801-1234")),
            new Destination("US", Optional.of("US-CA"), Optional.empty()),
            new Destination("US", Optional.of("US-NC"), Optional.of("27001")),
            Destination.of("CH"),
            Destination.of("JP"));

    private record Found(String id, int level, PostcodeRule.Coverage coverage, int countries) {}

    @Test
    void random_rules_are_found_as_a_plain_scan_finds_them() {
        Random random = new Random(7);
        for (int round = 0; round < 3000; round++) {
            List<PlaceIndex.Entry<String>> entries = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(8); i++) {
                entries.add(new PlaceIndex.Entry<>(
                        "r" + i, "r" + i, some(random, 1 + random.nextInt(3)), some(random, random.nextInt(3))));
            }
            PlaceIndex<String> index = PlaceIndex.of(entries);
            for (Destination to : DESTINATIONS) {
                List<String> scanned = scan(entries, to);
                Optional<PlaceIndex.Match<String>> match = index.find(to);
                List<String> indexed =
                        new ArrayList<>(match.map(PlaceIndex.Match::tied).orElse(List.of()));
                match.ifPresent(found -> indexed.add(0, found.value()));
                assertThat(indexed).as("%s in %s", to, entries).isEqualTo(scanned);
            }
        }
    }

    private static List<Place> some(Random random, int count) {
        return random.ints(count, 0, PLACES.size())
                .mapToObj(PLACES::get)
                .distinct()
                .map(Place::parse)
                .toList();
    }

    /** Ids of the most specific entries, the smallest first. */
    private static List<String> scan(List<PlaceIndex.Entry<String>> entries, Destination to) {
        List<Found> found = new ArrayList<>();
        for (PlaceIndex.Entry<String> entry : entries) {
            if (entry.except().stream().anyMatch(place -> place.contains(to))) {
                continue;
            }
            for (Place place : entry.places()) {
                candidates(entry, place, to, found);
            }
        }
        Comparator<Found> specific = Comparator.comparingInt(Found::level)
                .thenComparing(Found::coverage)
                .thenComparingInt(Found::countries);
        Optional<Found> best = found.stream().min(specific);
        return best.map(first -> found.stream()
                        .filter(each -> specific.compare(each, first) == 0)
                        .map(Found::id)
                        .distinct()
                        .sorted()
                        .toList())
                .orElse(List.of());
    }

    private static void candidates(PlaceIndex.Entry<String> entry, Place place, Destination to, List<Found> found) {
        if (!place.contains(to)) {
            return;
        }
        PostcodeRule.Coverage whole = new PostcodeRule.Coverage(BigInteger.ONE, BigInteger.ONE);
        if (place instanceof Place.Postcodes postcodes) {
            postcodes.rules().stream()
                    .filter(rule -> rule.matches(to.code().orElseThrow()))
                    .forEach(rule -> found.add(new Found(entry.id(), 0, rule.coverage(), 0)));
        } else if (place instanceof Place.Subdivision) {
            found.add(new Found(entry.id(), 1, whole, 0));
        } else if (place instanceof Place.Country) {
            found.add(new Found(entry.id(), 2, whole, 0));
        } else if (place instanceof Place.Group group) {
            long left = Groups.countriesOf(group.name()).stream()
                    .filter(country -> entry.except().stream()
                            .noneMatch(out -> out instanceof Place.Country c
                                            && c.code().equals(country)
                                    || out instanceof Place.Group g
                                            && Groups.countriesOf(g.name()).contains(country)))
                    .count();
            found.add(new Found(entry.id(), 3, whole, (int) left));
        }
    }
}
