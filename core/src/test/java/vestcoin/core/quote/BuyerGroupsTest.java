package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.delivery.DeliveryLimitsBuilder;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;

/** What goes by the group of buyers somebody belongs to: prices, goods, ways to deliver and to pay. */
class BuyerGroupsTest {
    private static final Destination IE = Destination.of("IE");

    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .buyers("trade", "12.5")
                .buyers("club", null)
                .delivers("IE", "post", "4.00")
                .sells("kite", "19.99", "s", "1 kg")
                .sells(Thing.of("reel", "10.00", "s")
                        .weighs("1 kg")
                        .groupPrices(Map.of("club", new BigDecimal("8.00")))
                        .product())
                .sells(Thing.of("set", "0.00", null)
                        .holds(Line.of("kite", 1), Line.of("reel", 1))
                        .product());
    }

    private static Quote quote(Shops.Maker shop, String group, Line... lines) {
        return Pricing.price(shop.compiled(), Shops.order(IE, lines).ofGroup(group));
    }

    /** 19.99 × 0.875 is 17.49125: on the shelf and on the line 17.49. */
    @Test
    void the_shelf_says_what_a_line_of_one_comes_to() {
        for (String group : new String[] {null, "trade", "club"}) {
            Map<String, BigDecimal> shelf = Pricing.shelf(
                    shop().compiled(),
                    List.of("kite", "reel", "set"),
                    Optional.ofNullable(group),
                    "EUR",
                    Optional.empty());
            for (String product : List.of("kite", "reel", "set")) {
                assertThat(shelf.get(product))
                        .as("%s for %s", product, group)
                        .isEqualByComparingTo(quote(shop(), group, Line.of(product, 1))
                                .goods()
                                .value());
            }
        }
        assertThat(Pricing.shelf(
                        shop().compiled(),
                        List.of("kite", "reel", "set"),
                        Optional.of("trade"),
                        "EUR",
                        Optional.empty()))
                .containsEntry("kite", new BigDecimal("17.49"));
    }

    @Test
    void goods_for_a_group_are_sold_to_nobody_else() {
        Shops.Maker shop = shop().sells(Thing.of("sample", "1.00", "s")
                .weighs("1 kg")
                .forGroups("trade")
                .product());
        assertThat(quote(shop, "trade", Line.of("sample", 1)).missing()).isEmpty();
        for (String group : new String[] {null, "club"}) {
            assertThat(quote(shop, group, Line.of("sample", 1)).missing())
                    .anySatisfy(message -> assertThat(message.code()).isEqualTo("quote.sold-to-some-buyers-only"));
        }
    }

    @Test
    void an_option_for_a_group_is_offered_to_nobody_else() {
        Shops.Maker shop = shop().delivers("IE", "van", "0.00")
                .limits(
                        "van",
                        DeliveryLimitsBuilder.builder().groups(List.of("trade")).build());
        assertThat(options(quote(shop, "trade", Line.of("kite", 1)))).contains("van");
        assertThat(options(quote(shop, "club", Line.of("kite", 1)))).doesNotContain("van");
        assertThat(options(quote(shop, null, Line.of("kite", 1)))).doesNotContain("van");
    }

    private static List<String> options(Quote quote) {
        return quote.offers().stream()
                .filter(Offer.Available.class::isInstance)
                .map(offer -> offer.option().id())
                .toList();
    }
}
