package vestcoin.core.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.problem.Problems;

/**
 * The list is from memory; here each postcode has the form its country uses and each region is one of ISO 3166-2, and
 * where postcodes tell their region they agree.
 */
class CapitalsTest {
    private static final List<Destination> KNOWN = Countries.all().stream()
            .sorted()
            .flatMap(country -> Capitals.of(country).stream())
            .toList();

    @Test
    void each_is_a_place_that_can_be() {
        assertThat(KNOWN).hasSizeGreaterThan(70).allSatisfy(capital -> {
            Problems problems = new Problems();
            capital.check("capital", problems);
            assertThat(problems.list()).as(capital.toString()).isEmpty();
            capital.region().ifPresent(region -> assertThat(Countries.parentOf(region))
                    .as(region + " is of the first or second order")
                    .matches(parent ->
                            parent.isEmpty() || Countries.parentOf(parent.get()).isEmpty()));
        });
        assertThat(KNOWN).extracting(Destination::country).containsAll(Groups.EU);
    }

    @Test
    void region_and_postcode_agree_where_postcodes_tell() {
        for (String country : List.of("US", "CA")) {
            Destination capital = Capitals.of(country).orElseThrow();
            assertThat(new Destination(country, Optional.empty(), capital.postcode()).regionOfPostcode())
                    .isEqualTo(capital.region());
        }
    }

    @Test
    void none_lies_in_a_part_with_rates_of_its_own_or_outside_of_its_union() {
        assertThat(KNOWN)
                .filteredOn(capital -> Groups.EU.contains(capital.country()))
                .allSatisfy(capital -> {
                    VatTerritory territory = VatTerritory.of(capital, true);
                    assertThat(territory.eu()).as(capital.toString()).isTrue();
                    assertThat(territory.state()).isEqualTo(capital.country());
                });
    }
}
