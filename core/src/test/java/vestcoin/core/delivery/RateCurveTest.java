package vestcoin.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.setup.CompiledSetup;

/** One rule over many weights, quantities and values. */
class RateCurveTest {
    private static Optional<String> price(String rule, String gramsOfOne, int quantity, String priceOfOne) {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", priceOfOne, "s", gramsOfOne + " g")
                .delivers("IE", "post", rule);
        Quote quote = Pricing.price(
                CompiledSetup.of(shop.setup()), Shops.order(Destination.of("IE"), Line.of("p", quantity)));
        return quote.chosen().map(offer -> offer.price().value().toPlainString());
    }

    /** The worked example of the trade: 1 kg 4.90, 5 kg 7.90, 20 kg 14.90, then 0.80 for each started kilogram. */
    @ParameterizedTest
    @CsvSource({
        "1, 4.90",
        "1000, 4.90",
        "1001, 7.90",
        "5000, 7.90",
        "5001, 14.90",
        "20000, 14.90",
        "20001, 15.70",
        "21000, 15.70",
        "21001, 16.50",
        "23200, 18.10"
    })
    void weight_bands_hold_to_their_figure_and_steps_are_counted_when_started(String grams, String expected) {
        assertThat(price("to 1 kg 4.90, to 5 kg 7.90, to 20 kg 14.90, then +0.80/kg", grams, 1, "1.00"))
                .contains(expected);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {"1, 3.00", "2, 3.00", "3, 5.00", "10, 5.00", "11, none"})
    void quantity_bands_count_what_is_sent_and_end_where_nothing_follows(int quantity, String expected) {
        assertThat(price("to 2 items 3.00, to 10 items 5.00", "1", quantity, "1.00"))
                .isEqualTo(Optional.ofNullable(expected));
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {"50.00, 4.90", "50.01, 2.90", "100.00, 2.90", "100.01, none"})
    void value_bands_read_the_goods(String value, String expected) {
        assertThat(price("to 50 EUR 4.90, to 100 EUR 2.90", "1", 1, value)).isEqualTo(Optional.ofNullable(expected));
    }

    @ParameterizedTest
    @CsvSource({"250, 4.00", "251, 5.00", "500, 5.00", "501, 6.00"})
    void steps_may_be_smaller_than_one(String grams, String expected) {
        assertThat(price("to 250 g 4.00, then +1.00/250 g", grams, 1, "1.00")).contains(expected);
    }

    @Test
    void a_price_over_weight_never_falls_where_bands_and_steps_rise() {
        BigDecimal before = BigDecimal.ZERO;
        for (int grams = 50; grams <= 30_000; grams += 50) {
            BigDecimal price = new BigDecimal(
                    price("to 1 kg 4.90, to 5 kg 7.90, to 20 kg 14.90, then +0.80/kg", String.valueOf(grams), 1, "1.00")
                            .orElseThrow());
            assertThat(price).isGreaterThanOrEqualTo(before);
            before = price;
        }
    }

    @Test
    void ounces_and_pounds_meet_exactly() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("US", "s", "0")
                .sells("ounce", "1.00", "s", "1 oz")
                .delivers("US", "post", "to 1 lb 4.00, to 2 lb 6.00");
        CompiledSetup compiled = CompiledSetup.of(shop.setup());
        assertThat(Pricing.price(compiled, Shops.order(Destination.of("US"), Line.of("ounce", 16)))
                        .chosen()
                        .orElseThrow()
                        .price()
                        .value())
                .isEqualByComparingTo("4.00");
        assertThat(Pricing.price(compiled, Shops.order(Destination.of("US"), Line.of("ounce", 17)))
                        .chosen()
                        .orElseThrow()
                        .price()
                        .value())
                .isEqualByComparingTo("6.00");
    }
}
