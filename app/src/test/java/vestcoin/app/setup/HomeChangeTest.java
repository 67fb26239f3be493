package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import vestcoin.app.format.Json;
import vestcoin.app.run.DemoShop;
import vestcoin.core.delivery.RateText;
import vestcoin.core.money.Exchange;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.Setup;

class HomeChangeTest {
    private static final Instant NOON = Instant.parse("2026-11-28T12:00:00Z");
    private static final Document DEMO = Document.parse(DemoShop.setupFile());
    private static final Optional<Exchange> RATES = Optional.of(new Exchange(
            "EUR",
            LocalDate.of(2026, 11, 27),
            Map.of("USD", new BigDecimal("1.1583"), "CHF", new BigDecimal("0.9312"))));

    private static HomeChange to(String country, String currency, String rate) {
        return new HomeChange(
                Optional.ofNullable(country),
                Optional.ofNullable(currency),
                Optional.ofNullable(rate).map(BigDecimal::new),
                true);
    }

    private static Setup after(HomeChange change) {
        return DEMO.with(change.edits(DEMO, NOON)).setup();
    }

    private static BigDecimal price(Setup setup, int at) {
        return setup.goods().products().get(at).price();
    }

    @Test
    void before_anything_changes_it_is_told_what_would() {
        HomeChange.Preview preview = to(null, "dollar", null).preview(DEMO.setup(), RATES, NOON);
        assertThat(preview.currency()).isEqualTo("USD");
        assertThat(preview.rate()).hasValue(new BigDecimal("1.1583"));
        assertThat(preview.figures()).isGreaterThan(50);
        HomeChange.Example example = preview.example().orElseThrow();
        assertThat(example.kept()).isEqualByComparingTo(example.was());
        assertThat(example.converted().orElseThrow())
                .isEqualByComparingTo(
                        example.was().multiply(new BigDecimal("1.1583")).setScale(2, java.math.RoundingMode.HALF_UP));
        assertThat(to(null, "won", null).preview(DEMO.setup(), RATES, NOON).rate())
                .as("a rate nobody published is not guessed")
                .isEmpty();
    }

    /** 1 USD is 0.9312 ÷ 1.1583 CHF = 0.803937 by the rates against the euro. */
    @Test
    void a_rate_between_two_others_goes_through_the_base() {
        assertThat(HomeChange.rate(RATES.orElseThrow(), "USD", "CHF")).hasValue(new BigDecimal("0.803937"));
    }

    @Test
    void numbers_are_kept_or_converted_and_the_whole_setup_still_stands() {
        Setup kept = after(to(null, "NZD", null));
        assertThat(kept.shop().currency()).isEqualTo("NZD");
        assertThat(price(kept, 0)).isEqualByComparingTo(price(DEMO.setup(), 0));
        Setup converted = after(to(null, "NZD", "2"));
        assertThat(price(converted, 0))
                .isEqualByComparingTo(price(DEMO.setup(), 0).multiply(BigDecimal.valueOf(2)));
        Setup won = after(to(null, "KRW", "1700"));
        assertThat(won.goods().products()).allMatch(product -> product.price().scale() <= 0);
        assertThat(won.delivery().zones())
                .allSatisfy(zone -> assertThat(zone.rates().values())
                        .allSatisfy(rule -> assertThat(RateText.print(rule)).doesNotContain("EUR")));
    }

    @Test
    void a_country_takes_its_clock_along_and_leaves_the_region_behind() {
        Setup moved = after(to("Switzerland", null, null));
        assertThat(moved.shop().address().country()).isEqualTo("CH");
        assertThat(moved.shop().address().region()).isEmpty();
        assertThat(moved.shop().address().postcode()).isEmpty();
        assertThat(moved.shop().timeZone()).isEqualTo("Europe/Zurich");
        assertThat(moved.shop().currency()).isEqualTo("EUR");
        Setup both = after(to("Switzerland", "franc", "0.9312"));
        assertThat(both.shop().currency()).isEqualTo("CHF");
    }

    @Test
    void a_rate_that_is_none_and_names_nobody_knows_are_refused() {
        assertThatThrownBy(() -> to(null, "USD", "0")).isInstanceOf(InvalidInput.class);
        assertThatThrownBy(() -> to(null, "kites", null)).isInstanceOf(InvalidInput.class);
        assertThatThrownBy(() -> to("Nowhere", null, null)).isInstanceOf(InvalidInput.class);
        assertThat(List.of(to("", "", null).country(), to("", "", null).currency()))
                .allMatch(Optional::isEmpty);
    }

    private static List<Edit> following(String path, String now) {
        JsonNode demo = Edits.apply(DEMO.tree(), edit("pickup/places/workshop/lines", "[\"1 Example Slip\"]"));
        demo = Edits.apply(
                demo,
                new Edit(
                        "shop/address/lines",
                        Edits.at(demo, "shop/address/lines"),
                        Optional.of(Json.tree(List.of("1 Example Slip")))));
        return Companions.with(List.of(new Edit(path, Edits.at(demo, path), Optional.of(Json.tree(now)))), demo);
    }

    private static Edit edit(String path, String now) {
        return new Edit(path, Edits.at(DEMO.tree(), path), Optional.of(Json.tree(now)));
    }

    @Test
    void a_place_to_collect_at_the_shops_own_address_moves_with_it_and_another_does_not() {
        assertThat(following("shop/address/lines", "[\"2 Example Slip\"]"))
                .extracting(Edit::path)
                .containsExactly("shop/address/lines", "pickup/places/workshop/lines");
        assertThat(following("shop/address/postcode", "\"H91 Y3B1\""))
                .extracting(Edit::path)
                .containsExactly("shop/address/postcode", "pickup/places/workshop/at/postcode");
        assertThat(Companions.with(List.of(edit("shop/name", "\"Other\"")), DEMO.tree()))
                .hasSize(1);
    }
}
