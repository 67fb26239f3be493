package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Groups;
import vestcoin.core.place.VatTerritory;

/**
 * The reference pack against two independent sets from the registries: npm {@code sales-tax} 2.23.0 and npm
 * {@code vatrates} 2.0.3, both MIT. Every disagreement stands in {@code docs/reference-rates.md}, and nothing else
 * does.
 */
class ReferenceTest {
    private static List<String[]> rows(String file) {
        try (BufferedReader reader = new BufferedReader(new InputStreamReader(
                Objects.requireNonNull(ReferenceTest.class.getResourceAsStream(file)), StandardCharsets.UTF_8))) {
            return reader.lines().skip(1).map(line -> line.split(",")).toList();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static String printed(Set<BigDecimal> rates) {
        return rates.isEmpty()
                ? "none"
                : rates.stream()
                        .map(rate -> rate.stripTrailingZeros().toPlainString())
                        .collect(Collectors.joining(", "));
    }

    private static Set<BigDecimal> ours(String place, String kind) {
        return Reference.of(place).stream()
                .filter(row -> row.kind().equals(kind))
                .map(row -> row.rate().total().stripTrailingZeros())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static void compare(Set<String> found, String set, String place, String kind, Set<BigDecimal> theirs) {
        Set<BigDecimal> mine = ours(place, kind);
        if (!printed(mine).equals(printed(theirs))) {
            found.add(String.join(" | ", set, place, kind, printed(mine), printed(theirs)));
        }
    }

    @Test
    void every_disagreement_is_listed_and_nothing_else() throws IOException {
        Set<String> found = new LinkedHashSet<>();
        Map<String, BigDecimal> salesTax = new TreeMap<>();
        rows("sales-tax-2.23.0.csv").forEach(cells -> salesTax.put(cells[0], new BigDecimal(cells[1])));
        Set<String> places = new TreeSet<>(Reference.places());
        places.addAll(salesTax.keySet());
        for (String place : places) {
            compare(
                    found,
                    "sales-tax 2.23.0",
                    place,
                    "standard",
                    salesTax.containsKey(place) ? Set.of(salesTax.get(place).stripTrailingZeros()) : Set.of());
        }
        Function<String, Map<String, Set<BigDecimal>>> empty = k -> new TreeMap<>();
        Map<String, Map<String, Set<BigDecimal>>> vatRates = new TreeMap<>();
        for (String[] cells : rows("vatrates-2.0.3.csv")) {
            String kind = cells[1].equals("standard") || cells[1].equals("parking") ? cells[1] : "reduced";
            vatRates.computeIfAbsent(cells[0], empty)
                    .computeIfAbsent(kind, k -> new TreeSet<>())
                    .add(new BigDecimal(cells[2]).stripTrailingZeros());
        }
        vatRates.forEach((country, rates) -> {
            compare(found, "vatrates 2.0.3", country, "standard", rates.getOrDefault("standard", Set.of()));
            compare(found, "vatrates 2.0.3", country, "reduced", rates.getOrDefault("reduced", Set.of()));
        });
        Set<String> listed = Files.readAllLines(Path.of("../docs/reference-rates.md")).stream()
                .filter(line -> line.startsWith("| sales-tax") || line.startsWith("| vatrates"))
                .map(line -> line.substring(2).split(" \\| "))
                .map(cells -> String.join(" | ", List.of(cells).subList(0, 5)))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        assertThat(listed).containsExactlyInAnyOrderElementsOf(found);
        System.out.println(
                "reference: " + Reference.places().size() + " places, " + found.size() + " disagreements, all listed");
    }

    @Test
    void the_pack_covers_the_places_it_promises_with_a_source_and_a_day_each() {
        assertThat(Reference.places())
                .containsAll(Groups.EU)
                .contains("GB", "CH", "NO", "IS", "AU", "NZ", "JP", "CA-QC", "US-NC");
        assertThat(Reference.places().stream().filter(place -> place.startsWith("US-")))
                .hasSize(51);
        assertThat(Reference.places().stream().filter(place -> place.startsWith("CA-")))
                .hasSize(13);
        for (String place : Reference.places()) {
            assertThat(Countries.isCountry(place)
                            || Countries.isSubdivision(place)
                            || VatTerritory.withOwnRates().stream()
                                    .anyMatch(own -> own.id().equals(place)))
                    .as(place)
                    .isTrue();
            assertThat(Reference.of(place).get(0).kind()).isEqualTo("standard");
            assertThat(Reference.of(place)).allSatisfy(row -> {
                assertThat(row.source()).isNotBlank();
                assertThat(row.sure()).isNotBlank();
                assertThat(row.rate().total()).isBetween(BigDecimal.ZERO, new BigDecimal("30"));
            });
        }
        assertThat(Reference.of("CA-QC").get(0).rate().total()).isEqualByComparingTo("14.975");
    }

    @Test
    void a_rate_agrees_when_it_is_one_of_those_published() {
        assertThat(Reference.agrees("IE", Tax.Rate.of("VAT", "13.5"))).isTrue();
        assertThat(Reference.agrees("IE", Tax.Rate.of("VAT", "21"))).isFalse();
        assertThat(Reference.agrees("BR", Tax.Rate.of("VAT", "17")))
                .as("nothing is known of it")
                .isTrue();
    }
}
