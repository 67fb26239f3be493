package vestcoin.core.reach;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.calendar.Window;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PriorPrice;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.CompiledSetup;

/** One basket to many places, the lowest price before a reduction, and how far an order is from free delivery. */
class ReachTest {
    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kite", "48.00", "s", "2 kg")
                .delivers("IE", "post", "5.00")
                .delivers("EU", "post", "9.00")
                .delivers("FR DE", "van", "7.00")
                .delivers("DE", "van", "8.00");
    }

    @Test
    void a_basket_is_priced_as_an_order_to_each_place_would_be() {
        CompiledSetup compiled = shop().compiled();
        Order basket = Shops.order(Destination.of("IE"), Line.of("kite", 1));
        List<Destination> places =
                Countries.all().stream().sorted().map(Destination::of).toList();
        List<Reach.Place> reach = Reach.of(compiled, basket, places);
        assertThat(reach).hasSameSizeAs(places).allSatisfy(place -> {
            assertThat(place.payable().orElseThrow())
                    .isEqualByComparingTo(Pricing.price(compiled, basket.to(place.to()))
                            .payable()
                            .value());
            assertThat(place.reached()).isEqualTo(place.zone().isPresent());
        });
        assertThat(reach.stream().filter(Reach.Place::reached)).as("the Union").hasSize(27);
        assertThat(reach.stream().filter(place -> !place.undecided().isEmpty()).map(place -> place.to()
                        .country()))
                .containsExactly("DE");
        assertThat(reach.stream()
                        .filter(place -> place.to().country().equals("FR"))
                        .findFirst()
                        .orElseThrow()
                        .option())
                .contains("van");
    }

    @Test
    void a_place_where_a_basket_cannot_be_priced_says_why() {
        assertThat(Reach.of(
                        shop().compiled(),
                        Shops.order(Destination.of("IE"), Line.of("gone", 1)),
                        List.of(Destination.of("IE"))))
                .singleElement()
                .satisfies(place -> assertThat(English.of(place.missing()))
                        .containsExactly("The shop has no " + "product “gone”."));
    }

    private static CompiledSetup priced(String price, Product.Sale sale) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells(Thing.of("kite", price, "s").sale(sale).product())
                .compiled();
    }

    /** Source: Directive 98/6/EC, Article 6a. */
    @Test
    void the_lowest_price_of_the_thirty_days_before_a_reduction() {
        Product.Sale autumn = new Product.Sale(
                new BigDecimal("45.00"),
                new Window(Optional.of(LocalDate.parse("2026-11-05")), Optional.of(LocalDate.parse("2026-11-08"))));
        List<PriorPrice.InForce> editions = List.of(
                new PriorPrice.InForce(priced("40.00", null), Instant.parse("2026-01-01T00:00:00Z")),
                new PriorPrice.InForce(priced("52.00", null), Instant.parse("2026-10-20T00:00:00Z")),
                new PriorPrice.InForce(priced("50.00", autumn), Instant.parse("2026-11-01T00:00:00Z")));
        Line kite = Line.of("kite", 1);
        assertThat(PriorPrice.before(Instant.parse("2026-11-25T00:00:00Z"), kite, editions))
                .as("the sale in November")
                .contains(new BigDecimal("45.00"));
        assertThat(PriorPrice.before(Instant.parse("2026-12-09T00:00:00Z"), kite, editions))
                .as("after it")
                .contains(new BigDecimal("50.00"));
        assertThat(PriorPrice.before(Instant.parse("2026-11-04T00:00:00Z"), kite, editions))
                .as("the price until 20 October still counts")
                .contains(new BigDecimal("40.00"));
        assertThat(PriorPrice.before(Instant.parse("2026-11-25T00:00:00Z"), Line.of("other", 1), editions))
                .isEmpty();
    }

    private static Discounts.Rule percent(String id, String percent) {
        return new Discounts.Rule(
                id,
                id,
                Optional.empty(),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal(percent)),
                Optional.empty(),
                true,
                null);
    }

    private static String more(Shops.Maker shop, Line... lines) {
        return Pricing.price(shop.compiled(), Shops.order(Destination.of("IE"), lines)).sent().distances().stream()
                .map(distance -> distance.more().value().toPlainString())
                .findFirst()
                .orElse("none");
    }

    @Test
    void the_distance_to_free_delivery_is_the_least_goods_at_list_that_reach_it() {
        Shops.Maker free = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kite", "38.30", "s", "1 kg")
                .delivers("IE", "post", "5.00, from 80 free");
        assertThat(more(free, Line.of("kite", 2))).isEqualTo("3.40");
        assertThat(more(free, Line.of("kite", 3))).isEqualTo("none");
        Shops.Maker less = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kite", "38.30", "s", "1 kg")
                .delivers("IE", "post", "5.00, from 80 free")
                .discounts(percent("a", "10"))
                .discounts(percent("b", "5"));
        // 76.60 − 7.66 − 3.45 = 65.49; (80.00 − 65.49) ÷ 0.9 ÷ 0.95 = 16.9708…; but 93.57 − 9.36 − 4.21 is 80.00
        // already, 93.56 less 9.36 and 4.21 is not
        assertThat(more(less, Line.of("kite", 2))).isEqualTo("16.97");
        Shops.Maker reached = less.sells("rest", "16.97", "s", "1 kg");
        assertThat(Pricing.price(
                                reached.compiled(),
                                Shops.order(Destination.of("IE"), Line.of("kite", 2), Line.of("rest", 1)))
                        .chosen()
                        .orElseThrow()
                        .price()
                        .zero())
                .as("it does reach it")
                .isTrue();
    }
}
