package vestcoin.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.reach.Reach;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;

/** What is timed side by side gives the same amounts. */
class BaselinesTest {
    @Test
    void the_core_and_the_three_baselines_agree_on_the_order() {
        Setup setup = OrdinaryShop.of(1);
        Order order = OrdinaryShop.order();
        Quote quote = Pricing.priceUntraced(CompiledSetup.of(setup), order);
        assertThat(quote.missing()).isEmpty();
        for (Arithmetic.Result result : List.of(
                new ByHand(setup, order).price(),
                new ByScan(setup).price(order),
                new ByRuleEngine(setup).price(order))) {
            assertThat(result.goods()).isEqualTo(quote.goods().value());
            assertThat(result.delivery())
                    .isEqualTo(quote.sent().price().orElseThrow().value());
            assertThat(Arrays.stream(result.taxes()).reduce(BigDecimal.ZERO, BigDecimal::add))
                    .isEqualTo(quote.tax().value());
            assertThat(result.payable()).isEqualTo(quote.payable().value());
            assertThat(result.fees()).hasSize(OrdinaryShop.METHODS);
        }
    }

    @Test
    void a_larger_shop_gives_the_same_quote_and_reach_goes_everywhere() {
        CompiledSetup large = CompiledSetup.of(OrdinaryShop.of(10));
        assertThat(Pricing.priceUntraced(large, OrdinaryShop.order()).payable().value())
                .isEqualTo(Pricing.priceUntraced(CompiledSetup.of(OrdinaryShop.of(1)), OrdinaryShop.order())
                        .payable()
                        .value());
        assertThat(Reach.of(large, OrdinaryShop.baskets().get(0), OrdinaryShop.places()))
                .hasSizeGreaterThan(240)
                .allMatch(Reach.Place::reached);
    }
}
