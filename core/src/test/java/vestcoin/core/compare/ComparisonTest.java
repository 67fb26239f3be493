package vestcoin.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Shops;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;

class ComparisonTest {
    private static Shops.Maker shop(String rate) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "10.00", "s", "1 kg")
                .delivers("IE", "post", rate);
    }

    private static List<String> rows(Shops.Maker before, Shops.Maker after, Order order) {
        return Comparison.of(CompiledSetup.of(before.setup()), CompiledSetup.of(after.setup()), Map.of("one", order))
                .stream()
                .flatMap(difference -> difference.rows().stream())
                .map(row -> English.of(row.what()) + ": "
                        + row.before().map(Object::toString).orElse("-") + " → "
                        + row.after().map(Object::toString).orElse("-"))
                .toList();
    }

    @Test
    void every_figure_that_differs_is_listed_the_amount_to_pay_first() {
        Order order = Shops.order(Destination.of("IE"), Line.of("p", 1));
        assertThat(rows(shop("4.00"), shop("4.50"), order))
                .containsExactly(
                        "to pay: 14.00 → 14.50",
                        "you keep: 11.38 → 11.79",
                        "delivery, post: 4.00 → 4.50",
                        "VAT 23 %, s: 2.62 → 2.71");
        assertThat(rows(shop("4.00"), shop("4.00"), order)).isEmpty();
    }

    @Test
    void an_order_that_can_no_longer_be_priced_says_why() {
        Order order = Shops.order(Destination.of("IE"), Line.of("p", 1));
        Shops.Maker without = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("q", "10.00", "s", "1 kg")
                .delivers("IE", "post", "4.00");
        Comparison.Difference difference = Comparison.of(
                        CompiledSetup.of(shop("4.00").setup()), CompiledSetup.of(without.setup()), Map.of("one", order))
                .get(0);
        assertThat(English.of(difference.after())).containsExactly("The shop has no product “p”.");
        assertThat(difference.rows())
                .allSatisfy(row -> assertThat(row.after()).isEmpty())
                .isNotEmpty();
        assertThat(difference.none()).isFalse();
    }

    @Test
    void a_setup_compared_with_itself_changes_nothing() {
        Random random = new Random(3);
        for (int i = 0; i < 200; i++) {
            Setup setup = Shops.random(random);
            Order order = Shops.randomOrder(setup, random);
            assertThat(Comparison.of(CompiledSetup.of(setup), CompiledSetup.of(setup), Map.of("one", order)))
                    .isEmpty();
        }
    }
}
