package vestcoin.core.money;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;

/** Orders in another currency than the shop's. The rates are invented. */
class OtherCurrencyTest {
    private static final Exchange RATES = new Exchange(
            "EUR",
            LocalDate.parse("2026-11-24"),
            Map.of("CHF", new BigDecimal("0.9312"), "JPY", new BigDecimal("180.05"), "USD", new BigDecimal("1.1605")));

    @ParameterizedTest
    @CsvSource({
        "WHOLE, 12.01, 13.00",
        "WHOLE, 12.00, 12.00",
        "NINETY_FIVE, 12.96, 13.95",
        "NINETY_FIVE, 12.10, 12.95",
        "NINETY_FIVE, 12.95, 12.95",
        "NINETY_NINE, 0.01, 0.99",
        "NEAREST_FIVE, 12.02, 12.00",
        "NEAREST_FIVE, 12.025, 12.05",
        "NEAREST_FIVE, 12.98, 13.00",
        "NINETY_NINE, 0.00, 0.00"
    })
    void an_ending_raises_a_price_or_brings_it_to_the_nearest_five(Ending ending, BigDecimal amount, BigDecimal ended) {
        assertThat(ending.of(amount)).isEqualByComparingTo(ended);
    }

    private static Quote price(Shops.Maker shop, String currency, Line... lines) {
        Order order = Shops.order(Destination.of("IE"), lines).in(currency).given(PricingContext.NOTHING.with(RATES));
        return Pricing.price(shop.compiled(), order);
    }

    private static Shops.Maker shop(String code, String percent, Ending ending) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .takes(code, percent, ending)
                .sells(Thing.of("p", "64.00", "s")
                        .weighs("1 kg")
                        .option("size", "small", "large +16.00")
                        .product())
                .sells(Thing.of("hand", "10.00", "s")
                        .weighs("1 kg")
                        .in(code, code.equals("JPY") ? "1900" : "9.40")
                        .product())
                .delivers("IE", "post", "6.50, from 150 free");
    }

    private static Line large(int quantity) {
        return new Line("p", BigDecimal.valueOf(quantity), Map.of("size", "large"));
    }

    @Test
    void typed_amounts_are_converted_one_by_one_and_rounded_half_up() {
        // 64.00 × 0.9312 = 59.5968 → 59.60; 16.00 × 0.9312 = 14.8992 → 14.90; 6.50 × 0.9312 = 6.0528 → 6.05
        Quote quote = price(shop("CHF", null, null), "CHF", large(1));
        assertThat(quote.currency()).isEqualTo("CHF");
        assertThat(quote.goods().value()).isEqualByComparingTo("74.50");
        assertThat(quote.chosen().orElseThrow().price().value()).isEqualByComparingTo("6.05");
        assertThat(quote.payable().value()).isEqualByComparingTo("80.55");
    }

    @Test
    void a_percent_is_added_and_only_unit_prices_get_an_ending() {
        // 64.00 × 0.9312 × 1.02 = 60.788736 → 60.79; 16.00 → 15.197… → 15.20; 75.99 → 76.95; 6.50 → 6.17385 → 6.17
        Quote quote = price(shop("CHF", "2", Ending.NINETY_FIVE), "CHF", large(1));
        assertThat(quote.goods().value()).isEqualByComparingTo("76.95");
        assertThat(quote.chosen().orElseThrow().price().value()).isEqualByComparingTo("6.17");
    }

    @Test
    void a_price_set_by_hand_wins_and_keeps_its_ending() {
        assertThat(price(shop("CHF", "2", Ending.NINETY_FIVE), "CHF", Line.of("hand", 1))
                        .goods()
                        .value())
                .isEqualByComparingTo("9.40");
        assertThat(price(shop("JPY", null, null), "JPY", Line.of("hand", 1))
                        .goods()
                        .value())
                .isEqualByComparingTo("1900");
    }

    @Test
    void a_currency_without_minor_units_is_rounded_to_whole_ones() {
        // 64.00 × 180.05 = 11523.2; 16.00 × 180.05 = 2880.8; 6.50 × 180.05 = 1170.325
        Quote quote = price(shop("JPY", null, null), "JPY", large(1));
        assertThat(quote.goods().value().toPlainString()).isEqualTo("14404");
        assertThat(quote.chosen().orElseThrow().price().value().toPlainString()).isEqualTo("1170");
    }

    @Test
    void thresholds_convert_too() {
        // 150 × 0.9312 = 139.68; two large ones are 149.00
        assertThat(price(shop("CHF", null, null), "CHF", large(2))
                        .chosen()
                        .orElseThrow()
                        .price()
                        .zero())
                .isTrue();
        assertThat(price(shop("CHF", null, null), "CHF", large(1)).sent().distances())
                .singleElement()
                .satisfies(distance ->
                        assertThat(distance.more().value()).as("139.68 − 74.50").isEqualByComparingTo("65.18"));
    }

    @Test
    void cross_rates_are_divided_unrounded() {
        Exchange dollars = new Exchange(
                "USD",
                LocalDate.parse("2026-11-24"),
                Map.of("EUR", new BigDecimal("0.8617"), "CHF", new BigDecimal("0.8024")));
        Order order = Shops.order(Destination.of("IE"), large(1)).in("CHF").given(PricingContext.NOTHING.with(dollars));
        // 64.00 × 0.8024 ÷ 0.8617 = 59.5956… → 59.60; 16.00 → 14.898… → 14.90
        assertThat(Pricing.price(shop("CHF", null, null).compiled(), order)
                        .goods()
                        .value())
                .isEqualByComparingTo("74.50");
    }

    @Test
    void without_a_rate_or_in_a_currency_not_taken_the_order_is_refused() {
        assertThatThrownBy(() -> price(shop("CHF", null, null), "GBP", large(1)))
                .extracting(English::told, as(STRING))
                .contains("does not take GBP");
        assertThatThrownBy(() -> Pricing.price(
                        shop("CHF", null, null).compiled(),
                        Shops.order(Destination.of("IE"), large(1)).in("CHF")))
                .extracting(English::told, as(STRING))
                .contains("no exchange rate");
    }

    /**
     * Source: CLDR (ICU4J 79), supplemental currency data: cash rounding of CHF is 0.05, of CAD 0.05, of SEK and NOK
     * whole, EUR has none.
     */
    @Test
    void steps_of_cash_are_those_of_cldr() {
        assertThat(CashSteps.published("CHF")).contains(new BigDecimal("0.05"));
        assertThat(CashSteps.published("CAD")).contains(new BigDecimal("0.05"));
        assertThat(CashSteps.published("SEK").orElseThrow()).isEqualByComparingTo("1");
        assertThat(CashSteps.published("EUR")).isEmpty();
        assertThat(CashSteps.published("AUD")).isEmpty();
        assertThat(CashSteps.usual("AU")).contains(new BigDecimal("0.05"));
        assertThat(CashSteps.usual("DE")).isEmpty();
    }
}
