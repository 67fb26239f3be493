package vestcoin.core.goods;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;
import static vestcoin.core.quote.Shops.order;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.calendar.Window;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Figure;

/** Unit prices: sale, buyer group, breaks, choices, measures, donations. */
class UnitPriceTest {
    private static BigDecimal of(String amount) {
        return new BigDecimal(amount);
    }

    private static Product plain(String price) {
        return Product.of("p", "p", Product.Kind.DIGITAL, of(price), "s", Optional.empty(), List.of());
    }

    private static Product with(
            Product base,
            Optional<Product.Sale> sale,
            List<Product.Break> breaks,
            List<Product.Option> options,
            Map<String, BigDecimal> groupPrices) {
        return new Product(
                base.id(),
                base.name(),
                base.kind(),
                base.price(),
                base.category(),
                base.weight(),
                options,
                sale,
                breaks,
                null,
                null,
                groupPrices,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                false,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static Product.Break broken(String from, String price, String percent) {
        return new Product.Break(
                of(from),
                Optional.ofNullable(price).map(BigDecimal::new),
                Optional.ofNullable(percent).map(BigDecimal::new));
    }

    private static Product.Sale sale(String price, String from, String to) {
        return new Product.Sale(
                of(price), new Window(Optional.of(LocalDate.parse(from)), Optional.of(LocalDate.parse(to))));
    }

    private static Shops.Maker shop(Product product) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .buyers("trade", "15")
                .buyers("club", null)
                .sells(product);
    }

    private static Quote quote(Product product, Order order) {
        return Pricing.price(CompiledSetup.of(shop(product).setup()), order);
    }

    private static Figure unit(Product product, Order order) {
        return quote(product, order).lines().get(0).unit();
    }

    private static Order buying(String quantity) {
        return order(Destination.of("IE"), Line.of("p", quantity));
    }

    /** Windows of dates run on the shop's calendar; Europe/Dublin is UTC in winter and an hour ahead in summer. */
    @ParameterizedTest
    @CsvSource({
        "2026-11-19T23:59:59Z, 100.00",
        "2026-11-20T00:00:00Z, 80.00",
        "2026-11-30T23:59:59Z, 80.00",
        "2026-12-01T00:00:00Z, 100.00"
    })
    void a_sale_runs_from_the_first_midnight_to_the_one_after_the_last_day(Instant at, String expected) {
        Product product = with(
                plain("100.00"),
                Optional.of(sale("80.00", "2026-11-20", "2026-11-30")),
                List.of(),
                List.of(),
                Map.of());
        assertThat(unit(product, buying("1").placed(at)).value()).isEqualByComparingTo(expected);
    }

    @ParameterizedTest
    @CsvSource({"2026-06-30T22:59:59Z, 100.00", "2026-06-30T23:00:00Z, 80.00"})
    void the_midnight_is_the_shops_own_in_summer_too(Instant at, String expected) {
        Product product = with(
                plain("100.00"),
                Optional.of(sale("80.00", "2026-07-01", "2026-07-31")),
                List.of(),
                List.of(),
                Map.of());
        assertThat(unit(product, buying("1").placed(at)).value()).isEqualByComparingTo(expected);
    }

    @Test
    void the_lower_of_sale_and_group_price_is_the_base_and_is_named() {
        Product sold = with(
                plain("100.00"),
                Optional.of(sale("88.00", "2026-11-01", "2026-11-30")),
                List.of(),
                List.of(),
                Map.of());
        assertThat(unit(sold, buying("1").ofGroup("trade"))).satisfies(figure -> {
            assertThat(figure.value()).isEqualByComparingTo("85.00");
            assertThat(figure.all().stream().map(Figure::rule)).contains("goods/buyerGroups/trade/percentOff");
        });
        assertThat(unit(sold, buying("1").ofGroup("club"))).satisfies(figure -> {
            assertThat(figure.value()).isEqualByComparingTo("88.00");
            assertThat(figure.rule()).isEqualTo("goods/products/p/sale");
        });
        assertThat(unit(sold, buying("1").ofGroup("nobody")).value()).isEqualByComparingTo("88.00");
    }

    @Test
    void a_price_of_its_own_for_the_group_wins_over_the_groups_percent() {
        Product product = with(plain("100.00"), Optional.empty(), List.of(), List.of(), Map.of("trade", of("91.50")));
        assertThat(unit(product, buying("1").ofGroup("trade")).value()).isEqualByComparingTo("91.50");
        assertThat(unit(product, buying("1")).value()).isEqualByComparingTo("100.00");
    }

    @Test
    void a_group_or_sale_price_above_the_shelf_price_raises_nothing() {
        Product product = with(
                plain("100.00"),
                Optional.of(sale("120.00", "2026-11-01", "2026-11-30")),
                List.of(),
                List.of(),
                Map.of("trade", of("130.00")));
        assertThat(unit(product, buying("1").ofGroup("trade")).value()).isEqualByComparingTo("100.00");
    }

    @ParameterizedTest
    @CsvSource({"4, 10.00", "5, 9.00", "9, 9.00", "10, 8.50", "20, 8.50"})
    void the_break_reached_that_gives_the_lowest_price_holds_its_figure_included(String quantity, String expected) {
        Product product = with(
                plain("10.00"),
                Optional.empty(),
                List.of(broken("5", "9.00", null), broken("10", null, "15"), broken("20", "9.99", null)),
                List.of(),
                Map.of());
        assertThat(unit(product, buying(quantity)).value()).isEqualByComparingTo(expected);
    }

    @Test
    void a_break_replaces_the_base_and_not_the_choices() {
        Product.Option option = new Product.Option(
                "o", "O", List.of(new Product.Choice("c", "C", Optional.of(of("2.00")), Optional.of(of("10")))));
        Product product =
                with(plain("10.00"), Optional.empty(), List.of(broken("5", "8.00", null)), List.of(option), Map.of());
        Line line = new Line("p", of("5"), Map.of("o", "c"));
        // 8.00 + 2.00 + 10 % of 8.00
        assertThat(unit(product, order(Destination.of("IE"), line)).value()).isEqualByComparingTo("10.80");
    }

    @Test
    void no_break_raises_a_price() {
        Product product =
                with(plain("10.00"), Optional.empty(), List.of(broken("2", "12.00", null)), List.of(), Map.of());
        assertThat(unit(product, buying("3")).value()).isEqualByComparingTo("10.00");
    }

    @Test
    void choices_are_added_exactly_and_the_sum_is_rounded_once() {
        Product.Option first = new Product.Option(
                "a", "A", List.of(new Product.Choice("c", "C", Optional.empty(), Optional.of(of("3.33")))));
        Product.Option second = new Product.Option(
                "b", "B", List.of(new Product.Choice("c", "C", Optional.empty(), Optional.of(of("3.33")))));
        Product product = with(plain("10.15"), Optional.empty(), List.of(), List.of(first, second), Map.of());
        // 10.15 + 2 × 0.337995 = 10.82599; rounded one by one it would be 10.15 + 0.34 + 0.34 = 10.83
        Figure unit =
                unit(product, order(Destination.of("IE"), new Line("p", BigDecimal.ONE, Map.of("a", "c", "b", "c"))));
        assertThat(unit.value()).isEqualByComparingTo("10.83");
        Product third = with(plain("10.04"), Optional.empty(), List.of(), List.of(first, second), Map.of());
        // 10.04 + 2 × 0.334332 = 10.708664 → 10.71; one by one 10.04 + 0.33 + 0.33 = 10.70
        assertThat(unit(third, order(Destination.of("IE"), new Line("p", BigDecimal.ONE, Map.of("a", "c", "b", "c"))))
                        .value())
                .isEqualByComparingTo("10.71");
    }

    @Test
    void reductions_by_choices_stop_at_zero_once() {
        Product.Option option = new Product.Option(
                "o", "O", List.of(new Product.Choice("c", "C", Optional.of(of("-15.00")), Optional.of(of("20")))));
        Product product = with(plain("10.00"), Optional.empty(), List.of(), List.of(option), Map.of());
        assertThat(unit(product, order(Destination.of("IE"), new Line("p", BigDecimal.ONE, Map.of("o", "c"))))
                        .value())
                .isEqualByComparingTo("0.00");
    }

    private static Product cloth() {
        return Thing.of("p", "12.90", "s")
                .kind(Product.Kind.DIGITAL)
                .measured("m", "0.05", "0.5", "50")
                .product();
    }

    @Test
    void a_measured_line_is_rounded_once() {
        // 2.35 × 12.90 = 30.315
        assertThat(quote(cloth(), buying("2.35")).goods().value()).isEqualByComparingTo("30.32");
    }

    @ParameterizedTest
    @CsvSource({"2.36, steps of 0.05 m", "0.45, from 0.5 to 50 m", "50.05, from 0.5 to 50 m", "0, above zero"})
    void a_quantity_off_the_step_or_out_of_bounds_is_refused(String quantity, String said) {
        assertThatThrownBy(() -> quote(cloth(), buying(quantity)))
                .extracting(English::told, as(STRING))
                .contains(said);
    }

    private static Product gift() {
        return Thing.of("p", "0.00", "s")
                .kind(Product.Kind.DONATION)
                .bounds("1.00", "500.00")
                .product();
    }

    @Test
    void a_donation_costs_what_the_buyer_gives_and_bears_no_tax() {
        Quote quote = quote(
                gift(),
                order(
                        Destination.of("IE"),
                        new Line("p", BigDecimal.ONE, Map.of(), Optional.of(of("15.00")), Map.of(), List.of())));
        assertThat(quote.payable().value()).isEqualByComparingTo("15.00");
        assertThat(quote.tax().value()).isEqualByComparingTo("0");
        assertThat(quote.taxes()).singleElement().satisfies(group -> assertThat(group.levy())
                .isEmpty());
    }

    @ParameterizedTest
    @CsvSource(
            value = {"0.99", "500.01", "none"},
            nullValues = "none")
    void a_donation_out_of_its_bounds_is_refused(String amount) {
        Line line = new Line(
                "p", BigDecimal.ONE, Map.of(), Optional.ofNullable(amount).map(BigDecimal::new), Map.of(), List.of());
        assertThatThrownBy(() -> quote(gift(), order(Destination.of("IE"), line)))
                .extracting(English::told, as(STRING))
                .contains("takes an amount from 1.00 to 500.00");
    }
}
