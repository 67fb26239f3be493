package vestcoin.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.Region;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.problem.Problems;

class PlaceIndexTest {
    private static PlaceIndex.Entry<String> rule(String id, String places, String... except) {
        return new PlaceIndex.Entry<>(
                id,
                id,
                Arrays.stream(places.split(" ")).map(Place::parse).toList(),
                Arrays.stream(except).map(Place::parse).toList());
    }

    @SafeVarargs
    private static String find(Destination to, PlaceIndex.Entry<String>... rules) {
        return PlaceIndex.of(List.of(rules))
                .find(to)
                .map(PlaceIndex.Match::value)
                .orElse("none");
    }

    @Test
    void postcode_wins_over_region_over_country_over_group_over_everywhere() {
        PlaceIndex.Entry<String> everywhere = rule("everywhere", "WORLD");
        PlaceIndex.Entry<String> group = rule("group", "AMERICAS");
        PlaceIndex.Entry<String> country = rule("country", "US");
        PlaceIndex.Entry<String> region = rule("region", "US-NC");
        PlaceIndex.Entry<String> postcode = rule("postcode", "US:288");
        Destination asheville = new Destination("US", Optional.of("US-NC"), Optional.of("28801-1234"));
        assertThat(find(asheville, everywhere, group, country, region, postcode))
                .isEqualTo("postcode");
        assertThat(find(asheville, everywhere, group, country, region)).isEqualTo("region");
        assertThat(find(asheville, everywhere, group, country)).isEqualTo("country");
        assertThat(find(asheville, everywhere, group)).isEqualTo("group");
        assertThat(find(asheville, everywhere)).isEqualTo("everywhere");
    }

    @Test
    void a_deeper_region_wins_and_its_parents_hold_it() {
        Destination babek = new Destination("AZ", Optional.of("AZ-BAB"), Optional.empty());
        assertThat(find(babek, rule("nakhchivan", "AZ-NX"), rule("country", "AZ")))
                .isEqualTo("nakhchivan");
        assertThat(find(babek, rule("nakhchivan", "AZ-NX"), rule("babek", "AZ-BAB")))
                .isEqualTo("babek");
    }

    @Test
    void the_rule_covering_fewer_codes_wins_within_a_level() {
        Destination berlin = Destination.of("DE", "10115");
        assertThat(find(berlin, rule("one", "DE:1"), rule("ten", "DE:10"), rule("range", "DE:10000..12999")))
                .isEqualTo("ten");
        assertThat(find(berlin, rule("euro", "EURO"), rule("eu", "EU"), rule("europe", "EUROPE")))
                .isEqualTo("euro");
    }

    @Test
    void a_place_taken_out_falls_to_the_next_less_specific_rule() {
        assertThat(find(Destination.of("IE", "H91 X2A0"), rule("ireland", "IE", "IE:H91"), rule("eu", "EU")))
                .isEqualTo("eu");
        assertThat(find(Destination.of("DE"), rule("eu", "EU", "DE"))).isEqualTo("none");
    }

    @Test
    void two_rules_that_tie_are_named_and_the_smaller_id_holds() {
        PlaceIndex.Match<String> match = PlaceIndex.of(List.of(rule("b", "IE"), rule("a", "IE FR")))
                .find(Destination.of("IE"))
                .orElseThrow();
        assertThat(match.value()).isEqualTo("a");
        assertThat(match.tied()).containsExactly("b");
    }

    /**
     * Source: Royal Mail's postcode areas and districts as commonly published: B is Birmingham, BT Northern Ireland;
     * from memory.
     */
    @Test
    void uk_areas_and_districts_are_not_mere_beginnings() {
        assertThat(find(Destination.of("GB", "BT1 5GS"), rule("b", "GB:B"))).isEqualTo("none");
        assertThat(find(Destination.of("GB", "BT1 5GS"), rule("bt", "GB:BT"))).isEqualTo("bt");
        assertThat(find(Destination.of("GB", "E10 5NP"), rule("e1", "GB:E1"))).isEqualTo("none");
        assertThat(find(Destination.of("GB", "E1 6AN"), rule("e1", "GB:E1"))).isEqualTo("e1");
        assertThat(find(Destination.of("GB", "W1A 1AA"), rule("w1", "GB:W1"))).isEqualTo("w1");
        assertThat(find(Destination.of("GB", "W1A 1AA"), rule("w1a", "GB:W1A1")))
                .isEqualTo("w1a");
    }

    @Test
    void ranges_compare_digits_as_numbers_and_five_us_digits_match_nine() {
        assertThat(find(Destination.of("IE", "D06 X2A0"), rule("dublin", "IE:D01..D24")))
                .isEqualTo("dublin");
        assertThat(find(Destination.of("IE", "H91 X2A0"), rule("dublin", "IE:D01..D24")))
                .isEqualTo("none");
        assertThat(find(Destination.of("US", "28899-0001"), rule("range", "US:28800..28899")))
                .isEqualTo("range");
        assertThat(find(Destination.of("GB", "BT12 5GS"), rule("belfast", "GB:BT1..BT17")))
                .isEqualTo("belfast");
        assertThat(find(Destination.of("NL", "1012 AB"), rule("range", "NL:1000..1999")))
                .isEqualTo("range");
    }

    @Test
    void fifty_thousand_rules_are_searched_no_slower_than_five_hundred() {
        long few = nanosPerLookup(500);
        long many = nanosPerLookup(50_000);
        assertThat(many)
                .as("%d ns with 50,000 rules, %d ns with 500", many, few)
                .isLessThan(8 * few + 5_000);
    }

    private static long nanosPerLookup(int rules) {
        PlaceIndex<String> index = PlaceIndex.of(IntStream.range(0, rules)
                .mapToObj(i -> rule("r" + i, "US:" + String.format("%05d", i)))
                .toList());
        // More than are remembered, so that each is looked up.
        List<Destination> to = IntStream.range(0, 499)
                .mapToObj(i -> Destination.of("US", String.format("%05d-1234", i)))
                .toList();
        for (int i = 0; i < 20_000; i++) {
            index.find(to.get(i % to.size()));
        }
        long start = System.nanoTime();
        for (int i = 0; i < 20_000; i++) {
            assertThat(index.find(to.get(i % to.size()))).isPresent();
        }
        return (System.nanoTime() - start) / 20_000;
    }

    @Test
    void what_was_asked_before_is_answered_as_it_was_however_many_places_were_asked_about() {
        PlaceIndex<String> index = PlaceIndex.of(IntStream.range(0, 900)
                .mapToObj(i -> rule("r" + i, "US:" + String.format("%05d", i)))
                .toList());
        for (int round = 0; round < 3; round++) {
            for (int i = 0; i < 1000; i += round + 1) {
                Destination to = Destination.of("US", String.format("%05d", i));
                Optional<String> expected = i < 900 ? Optional.of("r" + i) : Optional.empty();
                assertThat(index.find(to).map(PlaceIndex.Match::value)).isEqualTo(expected);
                assertThat(index.find(to).map(PlaceIndex.Match::value)).isEqualTo(expected);
                assertThat(index.find(to, rule -> !rule.endsWith("5")).map(PlaceIndex.Match::value))
                        .isEqualTo(expected.filter(rule -> !rule.endsWith("5")));
            }
        }
    }

    /** Source: CLDR 48 territory containment through ICU4J 79; the European Union's members as CLDR lists them. */
    @Test
    void the_groups_agree_with_cldr() {
        assertThat(Groups.EU).containsExactlyInAnyOrderElementsOf(territories("EU"));
        assertThat(Groups.countriesOf("EUROPE"))
                .contains("IE", "CH", "NO", "GB")
                .doesNotContain("US");
        assertThat(Groups.EU).containsAll(Groups.EURO);
    }

    private static List<String> territories(String group) {
        return Region.getInstance(group).getContainedRegions(Region.RegionType.TERRITORY).stream()
                .map(Region::toString)
                .toList();
    }

    @Test
    void a_place_that_does_not_exist_is_named() {
        for (String wrong : List.of("XX", "US-ZZ", "QQ:1", "GB:", "DE:12999..10000", "DE:1*")) {
            Problems problems = new Problems();
            Place.check(Place.parse(wrong), "delivery/zones/z/places", problems);
            assertThat(problems.list()).as(wrong).hasSize(1).allMatch(problem -> !English.of(problem.remedy())
                    .isBlank());
        }
    }

    @Test
    void a_postcode_has_to_fit_its_country() {
        assertThat(Countries.fits("IE", "T12 X2A0")).isTrue();
        assertThat(Countries.fits("DE", "1011")).isFalse();
        assertThat(Countries.fits("JP", "1000001")).isTrue();
        assertThat(Countries.fits("GB", "bt1 5gs")).isTrue();
        assertThat(Countries.fits("US", "288O1")).isFalse();
    }

    @Test
    void a_place_reaches_the_countries_it_has_a_part_of_and_no_others() {
        assertThat(Place.parse("US-NC").reaches("US")).isTrue();
        assertThat(Place.parse("GB:BT").reaches("GB")).isTrue();
        assertThat(Place.parse("EUROPE").reaches("IE")).isTrue();
        assertThat(Place.parse("AFRICA").reaches("AF"))
                .as("Afghanistan is not in Africa, whatever its letters")
                .isFalse();
        assertThat(Place.parse("IE").reaches("GB")).isFalse();
    }

    @Test
    void places_are_written_as_they_are_read() {
        for (String text : List.of("IE", "US-NC", "GB:BT", "IE:H91,D01..D24", "EU", "WORLD")) {
            assertThat(Place.parse(text).text()).isEqualTo(text);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "IE, h91 x2a0, H91X2A0",
        "US, 28801-1234, 288011234",
        "DE, D-10115, 10115",
        "DE, DE 10115, 10115",
        "DE, 01067, 01067",
        "CH, CH-4051, 4051",
        "AT, A-1010, 1010",
        "GB, bt1 5gs, BT15GS",
        "FR, F-75001, 75001",
        "NL, 1012 AB, 1012AB",
        "IE, D02 AF30, D02AF30",
        "LV, LV-1010, 1010"
    })
    void codes_are_compared_without_case_spaces_hyphens_and_a_countrys_letters(
            String country, String typed, String normal) {
        assertThat(PostcodeRule.normal(country, typed)).isEqualTo(normal);
    }
}
