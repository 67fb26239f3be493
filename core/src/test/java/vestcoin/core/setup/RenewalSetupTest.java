package vestcoin.core.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Renewal;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;

/** A renewal keeps what was agreed to and follows the law. */
class RenewalSetupTest {
    private static Shops.Maker shop(String price, String percent) {
        return new Shops.Maker()
                .taxes("IE", "s", percent)
                .registered("IE")
                .sells(Thing.of("club", price, "s")
                        .kind(Product.Kind.REMOTE_SERVICE)
                        .renews(1, Renewal.Unit.MONTHS, null)
                        .product());
    }

    @Test
    void the_price_is_the_one_agreed_to_and_the_tax_the_one_of_today() {
        Setup agreed = shop("10.00", "23").setup();
        Setup live = shop("15.00", "10").setup();
        CompiledSetup both = CompiledSetup.of(RenewalSetup.of(agreed, live));
        var quote = Pricing.price(both, Shops.order(Destination.of("IE", ""), Line.of("club", 1)));
        assertThat(quote.payable().value()).isEqualByComparingTo("10.00");
        // 10.00 with 10 % inside: 10.00 / 11 = 0.909...
        assertThat(quote.tax().value()).isEqualByComparingTo("0.91");
    }

    @Test
    void made_of_the_same_twice_it_is_the_same() {
        for (int seed = 0; seed < 50; seed++) {
            Setup setup = Shops.random(new Random(seed));
            assertThat(RenewalSetup.of(setup, setup)).isEqualTo(setup);
        }
    }

    @Test
    void a_category_that_is_gone_stands_against_it() {
        Setup agreed = shop("10.00", "23").setup();
        Setup live = new Shops.Maker()
                .taxes("IE", "books", "0")
                .sells(Thing.of("book", "5.00", "books").weighs("1 kg").product())
                .setup();
        Product club = agreed.goods().products().stream()
                .filter(product -> product.id().equals("club"))
                .findFirst()
                .orElseThrow();
        assertThat(RenewalSetup.obstacle(club, live)).isPresent();
    }
}
