package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.setup.Compiled;
import vestcoin.core.setup.Setup;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;

/** What holds for every order of every shop, tried on shops and orders made by chance from fixed seeds. */
class InvariantsTest {
    private static final int ORDERS = 1000;

    private static void eachOrder(BiConsumer<Compiled, Order> check) {
        Random random = new Random(20261125);
        for (int i = 0; i < ORDERS; i++) {
            Setup setup = Shops.random(random);
            check.accept(Compiled.of(setup), Shops.randomOrder(setup, random));
        }
    }

    private static BigDecimal sum(Stream<BigDecimal> amounts) {
        return amounts.reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static Stream<Figure> amounts(Quote quote) {
        return Stream.of(Stream.of(quote.goods(), quote.weight(), quote.tax(), quote.payable()),
                quote.lines().stream().flatMap(line -> Stream.of(line.unit(), line.amount(), line.weight())),
                Stream.concat(quote.discounts().stream(), quote.off().stream()).flatMap(r -> Stream.concat(Stream.of(r.amount()), r.shares().values().stream())),
                quote.offers().stream().filter(Offer.Offered.class::isInstance).map(offer -> ((Offer.Offered) offer).price()),
                quote.taxes().stream().flatMap(group -> group.components().stream().map(TaxGroup.ComponentTax::tax)),
                quote.taxes().stream().flatMap(group -> group.parts().stream().flatMap(part -> Stream.of(part.amount(), part.tax()))),
                quote.methods().stream().flatMap(seen -> seen.fee().stream())).flatMap(stream -> stream);
    }

    @Test
    void replaying_any_why_from_its_operands_gives_its_amount() {
        int[] replayed = {0};
        eachOrder((shop, order) -> amounts(Pricing.price(shop, order)).flatMap(figure -> figure.all().stream()).forEach(figure -> {
            assertThat(figure.replayed()).as(() -> figure.rule() + " " + figure.label()).isEqualByComparingTo(figure.value());
            replayed[0]++;
        }));
        System.out.println("why: " + replayed[0] + " figures of " + ORDERS + " orders replayed");
        assertThat(replayed[0]).isGreaterThan(20 * ORDERS);
    }

    @Test
    void lines_add_up_to_totals() {
        eachOrder((shop, order) -> {
            Quote quote = Pricing.price(shop, order);
            BigDecimal off = sum(quote.off().stream().map(reduction -> reduction.amount().value()));
            BigDecimal delivery = quote.chosen().map(offer -> offer.price().value()).orElse(BigDecimal.ZERO).subtract(off);
            BigDecimal goods = quote.goods().value().subtract(sum(quote.discounts().stream().map(reduction -> reduction.amount().value())));
            quote.discounts().forEach(reduction -> assertThat(sum(reduction.shares().values().stream().map(Figure::value))).isEqualByComparingTo(reduction.amount().value()));
            assertThat(sum(quote.lines().stream().map(line -> line.amount().value()))).isEqualByComparingTo(quote.goods().value());
            BigDecimal added = quote.prices() == Tax.Prices.WITHOUT_TAX ? quote.tax().value() : BigDecimal.ZERO;
            assertThat(goods.add(delivery).add(added)).isEqualByComparingTo(quote.payable().value());
            assertThat(sum(quote.taxes().stream().map(group -> group.amount().value()))).isEqualByComparingTo(goods.add(delivery));
            for (TaxGroup group : quote.taxes()) {
                assertThat(sum(group.parts().stream().map(part -> part.amount().value()))).isEqualByComparingTo(group.amount().value());
                assertThat(sum(group.parts().stream().map(part -> part.tax().value())))
                        .isEqualByComparingTo(sum(group.components().stream().map(component -> component.tax().value())));
            }
            assertThat(sum(quote.taxes().stream().flatMap(group -> group.components().stream()).map(component -> component.tax().value())))
                    .isEqualByComparingTo(quote.tax().value());
        });
    }

    @Test
    void nothing_is_negative_but_a_reduction_and_all_amounts_are_whole_cents() {
        eachOrder((shop, order) -> amounts(Pricing.price(shop, order)).forEach(figure -> {
            assertThat(figure.value().signum()).isNotNegative();
            assertThat(figure.unit().equals("kg") || figure.value().scale() == 2).as(figure.label()).isTrue();
        }));
    }

    @Test
    void the_order_of_lines_changes_nothing_but_the_order() {
        eachOrder((shop, order) -> {
            List<Line> shuffled = new ArrayList<>(order.lines());
            Collections.reverse(shuffled);
            Quote one = Pricing.price(shop, order);
            Quote other = Pricing.price(shop, new Order(order.at(), shuffled, order.to(), order.delivery(), order.method(), order.gateways()));
            assertThat(other.payable().value()).isEqualByComparingTo(one.payable().value());
            assertThat(other.tax().value()).isEqualByComparingTo(one.tax().value());
        });
    }

    @Test
    void the_same_input_gives_the_same_quote_traced_or_not() {
        eachOrder((shop, order) -> {
            Quote quote = Pricing.price(shop, order);
            assertThat(Pricing.price(Compiled.of(shop.setup(), shop), order)).isEqualTo(quote);
            assertThat(amounts(Pricing.priceUntraced(shop, order)).map(Figure::value).toList()).isEqualTo(amounts(quote).map(Figure::value).toList());
        });
    }

    /** Against arithmetic written out by hand: tax inside = amount × rate ÷ (100 + rates), on the printed group amounts. */
    @Test
    void tax_agrees_with_the_printed_check() {
        eachOrder((shop, order) -> {
            Quote quote = Pricing.price(shop, order);
            RoundingMode mode = shop.setup().shop().rounding().mode();
            for (TaxGroup group : quote.taxes()) {
                BigDecimal rates = sum(group.components().stream().map(component -> component.rate().value()));
                BigDecimal hundred = new BigDecimal(100);
                BigDecimal divisor = quote.prices() == Tax.Prices.WITH_TAX ? hundred.add(rates) : hundred;
                group.components().forEach(component -> assertThat(component.tax().value())
                        .isEqualByComparingTo(group.amount().value().multiply(component.rate().value()).divide(divisor, 2, mode)));
            }
        });
    }
}
