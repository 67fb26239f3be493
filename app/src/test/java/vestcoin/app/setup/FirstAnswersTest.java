package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.app.setup.FirstAnswers.Reach;
import vestcoin.app.setup.FirstAnswers.Sells;
import vestcoin.app.setup.FirstAnswers.Way;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;

class FirstAnswersTest {
    private static final Instant NOON = Instant.parse("2026-11-25T12:00:00Z");

    private static Setup answered(String country, String region, List<Sells> sells, List<Way> ways, Reach to) {
        FirstAnswers answers =
                new FirstAnswers(Optional.ofNullable(region), sells, ways, Optional.ofNullable(to), null, null, null);
        return answers.applied(FirstDraft.of("A shop", country, "").setup(), NOON);
    }

    private static Quote sample(Setup setup) {
        var basket = setup.rehearsal().baskets().get(0);
        return Pricing.price(CompiledSetup.of(setup), Order.of(NOON, basket.order(), Map.of()));
    }

    /** The currencies and languages are CLDR's through ICU4J; with or without tax is common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "IE, , EUR, en-IE, Europe/Dublin, kg, WITH_TAX, 25.00",
        "US, US-NC, USD, en-US, , lb, WITHOUT_TAX, 26.19",
        "JP, , JPY, ja-JP, Asia/Tokyo, kg, WITH_TAX, 2500",
        "CH, , CHF, de-CH, Europe/Zurich, kg, WITH_TAX, 25.00"
    })
    void the_place_gives_money_language_time_and_units_and_the_sample_basket_is_priced(
            String country,
            String region,
            String currency,
            String language,
            String zone,
            String unit,
            Tax.Prices prices,
            String payable) {
        Setup setup = answered(country, region, List.of(Sells.THINGS), List.of(Way.SENT), null);
        assertThat(setup.shop().currency()).isEqualTo(currency);
        assertThat(setup.shop().language()).isEqualTo(language);
        assertThat(setup.shop().weightUnit()).isEqualTo(unit);
        assertThat(setup.tax().prices()).isEqualTo(prices);
        if (zone != null) {
            assertThat(setup.shop().timeZone()).isEqualTo(zone);
        }
        Quote quote = sample(setup);
        assertThat(quote.missing()).isEmpty();
        // 20.00 and 5.00; in North Carolina 4.75 % on both is 1.1875
        assertThat(quote.payable().value()).isEqualTo(payable);
    }

    @Test
    void what_is_not_answered_is_not_switched_on() {
        Setup setup = answered("IE", null, List.of(), List.of(), null);
        assertThat(setup.goods().products()).isEmpty();
        assertThat(setup.delivery().zones()).isEmpty();
        assertThat(setup.pickup().places()).isEmpty();
        assertThat(setup.pickup().local()).isEmpty();
        assertThat(setup.payment().methods()).isEmpty();
        assertThat(setup.tax().places()).as("the rates of home").hasSize(1);
    }

    @Test
    void the_whole_union_gets_its_rates_and_a_zone() {
        Setup setup = answered("IE", null, List.of(Sells.values()), List.of(Way.values()), Reach.UNION);
        assertThat(setup.tax().places())
                .as("and three places with rates of their own")
                .hasSize(27 + 3)
                .allMatch(row -> row.toConfirm().isPresent());
        assertThat(setup.delivery().zones()).extracting(zone -> zone.id()).containsExactly("home", "union");
        assertThat(setup.pickup().places()).hasSize(1);
        assertThat(setup.pickup().local()).isPresent();
        assertThat(setup.goods().products()).hasSize(3);
    }
}
