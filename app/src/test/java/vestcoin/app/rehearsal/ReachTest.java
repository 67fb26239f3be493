package vestcoin.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import vestcoin.app.Caller;
import vestcoin.app.RunningShop;
import vestcoin.core.place.Groups;

/** Where an order can be had: every place sold to, and any that is typed. */
@ExtendWith(RunningShop.class)
class ReachTest {
    private final Caller owner;

    ReachTest(RunningShop.Running shop) {
        this.owner = shop.owner();
    }

    private JsonNode reach(Map<String, Object> asked) {
        return owner.post(Caller.SHOP + "/reach", asked).json();
    }

    @Test
    void every_country_sold_to_and_every_part_of_one_with_rules_of_its_own_is_there() {
        JsonNode stops = reach(Map.of()).path("stops");
        Set<String> whole = stops.valueStream()
                .filter(stop -> stop.at("/to/postcode").isMissingNode()
                        && stop.at("/to/region").isMissingNode())
                .map(stop -> stop.at("/to/country").asString())
                .collect(Collectors.toSet());
        assertThat(whole).containsAll(Groups.countriesOf("EU")).contains("GB", "CH", "NO", "US", "CA");
        assertThat(whole).doesNotContain("AU", "JP");
        assertThat(stops.valueStream()
                        .map(stop -> stop.at("/to/country").asString() + " "
                                + stop.at("/to/postcode").asString("")))
                .anyMatch(place -> place.startsWith("GB BT"))
                .anyMatch(place -> place.startsWith("IE H91"));
    }

    @Test
    void a_place_says_its_zone_and_why_that_one() {
        JsonNode stops = reach(Map.of("places", List.of(Map.of("country", "Austria"), Map.of("country", "DE"))))
                .path("stops");
        assertThat(stops.path(0).path("zone").asString()).isEqualTo("EU, far");
        assertThat(stops.path(0).path("by").asString()).isEqualTo("EU");
        assertThat(stops.path(1).path("by").asString()).isEqualTo("DE");
        assertThat(stops.path(0).path("whose").path(0).asString()).contains("Austria");
        assertThat(stops.path(0).path("cell").path("toPay").asString()).isNotEmpty();
    }

    @Test
    void where_it_cannot_be_had_the_reason_is_said() {
        JsonNode australia = reach(Map.of("places", List.of(Map.of("country", "AU"))))
                .path("stops")
                .path(0);
        assertThat(australia.path("cell").path("hole").asString()).isNotEmpty();
        assertThat(australia.path("zone").isMissingNode()
                        || australia.path("zone").isNull())
                .isTrue();
    }

    @Test
    void all_sample_orders_at_once_add_up_and_one_that_cannot_be_had_makes_a_hole() {
        List<Map<String, Object>> places = List.of(Map.of("country", "DE"), Map.of("country", "AU"));
        List<String> baskets = owner.get(Caller.SHOP + "/draft")
                .json()
                .at("/document/rehearsal/baskets")
                .valueStream()
                .map(basket -> basket.path("id").asString())
                .toList();
        BigDecimal sum = baskets.stream()
                .map(basket -> new BigDecimal(reach(Map.of("basket", basket, "places", places))
                        .at("/stops/0/cell/toPay")
                        .asString()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        JsonNode all = reach(Map.of("all", true, "places", places));
        assertThat(all.path("orders").asInt()).isEqualTo(baskets.size());
        assertThat(new BigDecimal(all.at("/stops/0/cell/toPay").asString())).isEqualByComparingTo(sum);
        assertThat(all.at("/stops/1/cell/hole").asString())
                .startsWith(baskets.size() + " of " + baskets.size() + " sample orders cannot be had here: ");
    }

    @Test
    void what_is_not_there_is_refused_in_a_sentence() {
        assertThat(owner.post(Caller.SHOP + "/reach", Map.of("basket", "none-such"))
                        .status())
                .isEqualTo(404);
        Caller.Answer nowhere =
                owner.post(Caller.SHOP + "/reach", Map.of("places", List.of(Map.of("country", "Atlantis"))));
        assertThat(nowhere.status()).isEqualTo(422);
        assertThat(nowhere.sentence()).contains("Atlantis");
    }
}
