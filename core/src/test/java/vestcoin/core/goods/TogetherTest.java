package vestcoin.core.goods;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.basket.Basket;
import vestcoin.core.finding.Check;
import vestcoin.core.finding.Finding;
import vestcoin.core.finding.FindingContext;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PriorPrice;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.CompiledSetup;

/** Bundles and boxes: a price of their own or a percent off, shared over the parts, taxed part by part. */
class TogetherTest {
    private static Together.BoxPart filling(String product, String extra) {
        return new Together.BoxPart(
                product, product, Map.of(), Optional.ofNullable(extra).map(BigDecimal::new));
    }

    private static Shops.Maker shop(Thing together) {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("IE", "books", "0")
                .sells(Thing.of("kite", "48.00", "s").weighs("2 kg").product())
                .sells(Thing.of("book", "24.50", "books").weighs("1 kg").product())
                .sells(Thing.of("reel", "12.00", "s").weighs("0.5 kg").product())
                .sells(together.product());
    }

    private static Thing bundle(Together.Priced priced, String price, String percent) {
        return Thing.of("set", price, null)
                .holds(Line.of("kite", 1), Line.of("book", 1))
                .together(new Together(priced, Optional.ofNullable(percent).map(BigDecimal::new), null, null, null));
    }

    private static Thing box(Together.Priced priced, String price) {
        return Thing.of("box", price, null)
                .kind(Product.Kind.BOX)
                .together(new Together(
                        priced,
                        Optional.empty(),
                        Optional.of(3),
                        Optional.of(5),
                        List.of(filling("reel", null), filling("book", "2.00"), filling("kite", null))));
    }

    private static Quote quote(Thing together, Line line) {
        CompiledSetup setup = CompiledSetup.of(shop(together).setup());
        return Pricing.price(
                setup,
                Order.of(
                        Instant.parse("2026-12-01T10:00:00Z"),
                        Basket.of(List.of(line), Destination.of("IE")),
                        Map.of()));
    }

    private static List<String> amounts(Quote quote) {
        return quote.lines().stream()
                .map(line -> line.product().id() + " " + line.amount().value())
                .toList();
    }

    /** 60.00 over 48.00 and 24.50: 39.724… and 20.275…, the cent left over to the larger remainder. */
    @Test
    void a_price_of_its_own_is_shared_by_what_the_parts_cost() {
        Quote quote = quote(bundle(Together.Priced.OWN, "60.00", null), Line.of("set", 1));
        assertThat(amounts(quote)).containsExactly("kite 39.72", "book 20.28");
        assertThat(quote.goods().value()).isEqualByComparingTo("60.00");
        // 39.72 × 23 ÷ 123 = 7.427…; the book bears none.
        assertThat(quote.tax().value()).isEqualByComparingTo("7.43");
        assertThat(quote.weight().value()).isEqualByComparingTo("3");
    }

    @Test
    void a_percent_goes_off_what_the_parts_come_to() {
        Quote quote = quote(bundle(Together.Priced.SUM, "0.00", "10"), Line.of("set", 2));
        assertThat(quote.goods().value()).isEqualByComparingTo("130.50");
        assertThat(amounts(quote)).containsExactly("kite 86.40", "book 44.10");
    }

    @Test
    void without_anything_said_it_is_the_sum() {
        assertThat(quote(bundle(Together.Priced.SUM, "0.00", null), Line.of("set", 1))
                        .goods()
                        .value())
                .isEqualByComparingTo("72.50");
    }

    /** 30.00 over 2 × 12.00 and 24.50 is 14.85 and 15.15; the book's 2.00 comes after, to the book. */
    @Test
    void a_box_costs_its_price_and_what_its_pieces_add() {
        Line line = Line.of("box", 1).holding(List.of(Line.of("reel", 2), Line.of("book", 1)));
        Quote quote = quote(box(Together.Priced.OWN, "30.00"), line);
        assertThat(amounts(quote)).containsExactlyInAnyOrder("reel 14.85", "book 17.15");
        assertThat(quote.goods().value()).isEqualByComparingTo("32.00");
        Line other = Line.of("box", 1).holding(List.of(Line.of("book", 1), Line.of("reel", 2)));
        assertThat(amounts(quote(box(Together.Priced.OWN, "30.00"), other))).isEqualTo(amounts(quote));
        assertThat(quote(box(Together.Priced.OWN, "30.00"), line.of(BigDecimal.valueOf(2)))
                        .goods()
                        .value())
                .isEqualByComparingTo("64.00");
    }

    @Test
    void a_box_by_its_sum_has_extras_too() {
        Line line = Line.of("box", 1).holding(List.of(Line.of("reel", 2), Line.of("book", 1)));
        assertThat(quote(box(Together.Priced.SUM, "0.00"), line).goods().value())
                .isEqualByComparingTo("50.50");
    }

    @ParameterizedTest
    @CsvSource({
        "reel, 2, takes 3 to 5 pieces; 2 are in it",
        "reel, 6, takes 3 to 5 pieces; 6 are in it",
        "box, 3, does not go into",
        "stone, 3, does not go into"
    })
    void a_box_is_filled_as_it_says(String part, int pieces, String sentence) {
        Line line = Line.of("box", 1).holding(List.of(Line.of(part, pieces)));
        assertThatThrownBy(() -> quote(box(Together.Priced.OWN, "30.00"), line))
                .extracting(English::told, STRING)
                .contains(sentence);
    }

    @Test
    void what_is_no_box_holds_nothing_of_the_buyers() {
        assertThatThrownBy(() -> quote(
                        box(Together.Priced.OWN, "30.00"), Line.of("kite", 1).holding(List.of(Line.of("reel", 1)))))
                .extracting(English::told, STRING)
                .contains("kite is no box");
    }

    @Test
    void a_setup_with_an_empty_box_is_refused() {
        Thing empty = Thing.of("box", "30.00", null).kind(Product.Kind.BOX);
        assertThatThrownBy(() -> shop(empty).compiled())
                .extracting(English::told, STRING)
                .contains("filled from nothing");
    }

    /** The list says what a bundle or the least box costs. */
    @Test
    void the_shelf_says_the_price_of_the_whole() {
        assertThat(Pricing.shelf(
                        shop(bundle(Together.Priced.OWN, "60.00", null)).compiled(),
                        List.of("set"),
                        Optional.empty(),
                        "EUR",
                        Optional.empty()))
                .containsEntry("set", new BigDecimal("60.00"));
        assertThat(Pricing.shelf(
                        shop(box(Together.Priced.SUM, "0.00")).compiled(),
                        List.of("box"),
                        Optional.empty(),
                        "EUR",
                        Optional.empty()))
                .containsEntry("box", new BigDecimal("36.00"));
    }

    /** The lowest price of the days before is that of the whole (Directive 98/6/EC, Art. 6a). */
    @Test
    void what_it_cost_before_is_what_all_of_it_cost() {
        CompiledSetup setup = shop(bundle(Together.Priced.OWN, "60.00", null)).compiled();
        assertThat(PriorPrice.before(
                        Instant.parse("2026-12-01T00:00:00Z"),
                        Line.of("set", 1),
                        List.of(new PriorPrice.InForce(setup, Instant.parse("2026-01-01T00:00:00Z")))))
                .contains(new BigDecimal("60.00"));
    }

    /** What only its parts have, set at the whole, is told; what does something there is not. */
    @Test
    void what_does_nothing_at_the_whole_is_a_finding() {
        String id = "set-at-the-whole-without-effect";
        assertThat(findings(bundle(Together.Priced.OWN, "60.00", null))).doesNotContain(id);
        assertThat(findings(bundle(Together.Priced.OWN, "60.00", null).weighs("1 kg")))
                .contains(id);
        assertThat(findings(bundle(Together.Priced.OWN, "60.00", null)
                        .groupPrices(Map.of("trade", new BigDecimal("50.00")))))
                .doesNotContain(id);
        assertThat(findings(bundle(Together.Priced.SUM, "0.00", null)
                        .groupPrices(Map.of("trade", new BigDecimal("50.00")))))
                .contains(id);
        assertThat(findings(bundle(Together.Priced.SUM, "0.00", null).perUnit("deposit", "1.00", null, false)))
                .contains(id);
    }

    private static List<String> findings(Thing together) {
        CompiledSetup setup = shop(together).buyers("trade", null).compiled();
        return Check.of(setup, new FindingContext(Instant.parse("2026-12-01T10:00:00Z"), Map.of())).stream()
                .map(Finding::id)
                .toList();
    }
}
