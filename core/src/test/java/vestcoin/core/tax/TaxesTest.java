package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import vestcoin.core.goods.Line;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.setup.CompiledSetup;

/** The ways to tax delivery, and components on components. */
class TaxesTest {
    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "kites", "23")
                .taxes("IE", "books", "0")
                .taxes("IE", "post", "13.5")
                .sells("kite", "61.50", "kites", "1 kg")
                .sells("book", "20.50", "books", "1 kg")
                .sells("plan", "41.00", "kites", "")
                .delivers("IE", "post", "8.00");
    }

    private static Quote price(Shops.Maker shop, Line... lines) {
        Order order = Shops.order(Destination.of("IE"), lines);
        return Pricing.price(CompiledSetup.of(shop.setup()), order);
    }

    private static List<String> groups(Quote quote) {
        return quote.taxes().stream()
                .map(group -> group.category() + " " + group.amount().value() + ": "
                        + group.components().stream()
                                .map(component -> component.tax().value().toPlainString())
                                .toList())
                .toList();
    }

    @Test
    void like_the_goods_it_follows_what_it_carries() {
        // 8.00 shared over 61.50 and 20.50; the downloaded plan carries none of it
        assertThat(groups(price(shop(), Line.of("kite", 1), Line.of("book", 1), Line.of("plan", 1))))
                .containsExactly("kites 108.50: [20.29]", "books 22.50: [0.00]");
    }

    @Test
    void at_the_highest_rate_it_goes_with_the_goods_that_bear_most() {
        Shops.Maker shop = shop().taxesDelivery("IE", Tax.Way.HIGHEST_RATE, null);
        assertThat(groups(price(shop, Line.of("kite", 1), Line.of("book", 1))))
                .containsExactly("kites 69.50: [13.00]", "books 20.50: [0.00]");
        assertThat(groups(price(shop, Line.of("book", 1), Line.of("plan", 1))))
                .as("only of what it carries")
                .containsExactly("kites 41.00: [7.67]", "books 28.50: [0.00]");
    }

    @Test
    void in_a_category_of_its_own_it_bears_that_rate() {
        Shops.Maker shop = shop().taxesDelivery("IE", Tax.Way.OWN_CATEGORY, "post");
        assertThat(groups(price(shop, Line.of("kite", 1))))
                .containsExactly("kites 61.50: [11.50]", "post 8.00: [0.95]");
        Shops.Maker same = shop().taxesDelivery("IE", Tax.Way.OWN_CATEGORY, "kites");
        assertThat(groups(price(same, Line.of("kite", 1))))
                .as("with the goods of that category, once")
                .containsExactly("kites 69.50: [13.00]");
    }

    @Test
    void not_taxed_it_stands_outside() {
        Quote quote = price(shop().taxesDelivery("IE", Tax.Way.NOT_TAXED, null), Line.of("kite", 1));
        assertThat(groups(quote)).containsExactly("kites 61.50: [11.50]", "(outside) 8.00: []");
        assertThat(quote.payable().value()).isEqualByComparingTo("69.50");
    }

    /** Arithmetic only: 5 % on 100.00 is 5.00, 10 % on 105.00 is 10.50; out of 115.50 the same. */
    @Test
    void a_component_on_top_is_levied_on_those_before_it() {
        Shops.Maker added = new Shops.Maker()
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("CA", "s", "First 5 + Second on top 10")
                .sells("p", "100.00", "s", "");
        Quote without =
                Pricing.price(CompiledSetup.of(added.setup()), Shops.order(Destination.of("CA"), Line.of("p", 1)));
        assertThat(groups(without)).containsExactly("s 100.00: [5.00, 10.50]");
        Shops.Maker inside =
                new Shops.Maker().taxes("CA", "s", "First 5 + Second on top 10").sells("p", "115.50", "s", "");
        Quote with =
                Pricing.price(CompiledSetup.of(inside.setup()), Shops.order(Destination.of("CA"), Line.of("p", 1)));
        assertThat(groups(with)).containsExactly("s 115.50: [5.00, 10.50]");
    }
}
