package vestcoin.core.goods;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;

import java.math.BigDecimal;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.discount.Discounts;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.RenewalCharges;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.why.Figure;

/** Kinds of goods, variations, groups, bundles, subscriptions, stock and per-unit amounts. */
class GoodsTest {
    private static final Destination IE = Destination.of("IE");

    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("IE", "books", "0")
                .delivers("IE", "post", "5.00");
    }

    private static Quote price(Shops.Maker shop, Line... lines) {
        return Pricing.price(shop.compiled(), Shops.order(IE, lines));
    }

    private static Shops.Maker kites() {
        return shop().sells(Thing.of("kite", "48.00", "s")
                .weighs("2 kg")
                .option("size", "small", "large +16.00")
                .option("colour", "red", "blue")
                .variation("large-red", "size=large colour=red", "59.00", "2.6 kg")
                .variation("any-blue", "colour=blue", null, "2.2 kg")
                .product());
    }

    private static Line kite(String size, String colour, int quantity) {
        return new Line("kite", BigDecimal.valueOf(quantity), Map.of("size", size, "colour", colour));
    }

    @Test
    void a_variation_has_a_price_and_a_weight_of_its_own() {
        Quote quote = price(kites(), kite("large", "red", 1), kite("large", "blue", 1), kite("small", "red", 1));
        // 59.00 + 16.00, 48.00 + 16.00, 48.00: choices add to the variation's price as to the shelf price
        assertThat(quote.lines())
                .extracting(line -> line.unit().value().toPlainString())
                .containsExactly("75.00", "64.00", "48.00");
        assertThat(quote.lines())
                .extracting(line -> line.weight().value().toPlainString())
                .containsExactly("2.6", "2.2", "2");
        assertThat(quote.lines())
                .extracting(PricedLine::variation)
                .containsExactly(Optional.of("large-red"), Optional.of("any-blue"), Optional.empty());
    }

    @Test
    void stock_limits_quantity_by_variation_or_product_and_the_quote_says_what_is_left() {
        Stock stock = new Stock(Map.of("kite/large-red", new BigDecimal("2"), "kite", new BigDecimal("5")));
        Order order = Shops.order(IE, kite("large", "red", 3), kite("small", "red", 5))
                .given(PricingContext.NOTHING.with(stock));
        Quote quote = Pricing.price(kites().compiled(), order);
        assertThat(quote.left()).containsOnlyKeys("kite/large-red", "kite");
        assertThat(English.of(quote.missing())).containsExactly("Only 2 of kite are left.");
        Order gone = Shops.order(IE, kite("small", "red", 1))
                .given(PricingContext.NOTHING.with(new Stock(Map.of("kite", BigDecimal.ZERO))));
        assertThat(English.of(Pricing.price(kites().compiled(), gone).missing()))
                .containsExactly("kite is sold out.");
        Order twice = Shops.order(IE, kite("small", "red", 3), kite("small", "red", 3))
                .given(PricingContext.NOTHING.with(stock));
        assertThat(English.of(Pricing.price(kites().compiled(), twice).missing()))
                .as("two lines of the same thing count together")
                .containsExactly("Only 5 of kite are left.");
    }

    @Test
    void what_a_product_does_not_say_its_group_says() {
        Goods.ProductGroup paper = new Goods.ProductGroup(
                "paper",
                "Paper",
                Optional.of("books"),
                Optional.of(Weight.parse("w", "0.5 kg")),
                ShippingTraits.NOTHING);
        Quote quote = price(
                shop().group(paper)
                        .sells(Thing.of("book", "20.00", null).group("paper").product())
                        .sells(Thing.of("map", "10.00", "s")
                                .group("paper")
                                .weighs("0.1 kg")
                                .product()),
                Line.of("book", 2),
                Line.of("map", 1));
        assertThat(quote.lines())
                .extracting(line -> line.product().taxCategory())
                .containsExactly("books", "s");
        assertThat(quote.weight().value()).isEqualByComparingTo("1.1");
        Figure weight = quote.lines().get(0).weight().of().get(0);
        assertThat(weight.rule()).as("the why leads to the group").isEqualTo("goods/groups/paper/weight");
        assertThatThrownBy(() ->
                        shop().sells(Thing.of("book", "20.00", null).product()).compiled())
                .extracting(English::told, as(STRING))
                .contains("has no tax category, nor has its group");
    }

    @Test
    void a_bundle_is_several_goods_each_priced_and_taxed_as_itself() {
        Shops.Maker shop = shop().sells("kite", "50.00", "s", "2 kg")
                .sells("book", "20.00", "books", "0.5 kg")
                .sells(Thing.of("set", "0.00", null)
                        .holds(Line.of("kite", 1), Line.of("book", 2))
                        .product());
        Quote quote = price(shop, Line.of("set", 3));
        assertThat(quote.lines())
                .extracting(line -> line.product().id() + " " + line.line().quantity() + " "
                        + line.bundle().orElse(""))
                .containsExactly("kite 3 set", "book 6 set");
        assertThat(quote.goods().value()).isEqualByComparingTo("270.00");
        assertThat(quote.taxes()).extracting(group -> group.category()).containsExactly("s", "books");
        assertThatThrownBy(() -> shop().sells(Thing.of("set", "0.00", null)
                                .holds(Line.of("gone", 1))
                                .product())
                        .compiled())
                .extracting(English::told, as(STRING))
                .contains("cannot be part of a bundle");
    }

    private static List<String> dates(Renewal renewal, String first) {
        return renewal.next(ZonedDateTime.parse(first), 3).stream()
                .map(date -> date.toLocalDateTime().toString())
                .toList();
    }

    @Test
    void later_charges_are_counted_from_the_first_day_never_from_a_clamped_one() {
        Renewal monthly = new Renewal(1, Renewal.Unit.MONTHS, null);
        assertThat(dates(monthly, "2026-01-31T10:15:00Z[Europe/Dublin]"))
                .containsExactly("2026-02-28T10:15", "2026-03-31T10:15", "2026-04-30T10:15");
        assertThat(dates(monthly, "2028-01-31T10:15:00Z[Europe/Dublin]"))
                .containsExactly("2028-02-29T10:15", "2028-03-31T10:15", "2028-04-30T10:15");
        assertThat(dates(new Renewal(1, Renewal.Unit.YEARS, null), "2028-02-29T09:00:00Z[Europe/Dublin]"))
                .containsExactly("2029-02-28T09:00", "2030-02-28T09:00", "2031-02-28T09:00");
        assertThat(dates(new Renewal(2, Renewal.Unit.WEEKS, null), "2026-03-20T09:00:00Z[Europe/Dublin]"))
                .as("at the same local time over the change of clocks")
                .containsExactly("2026-04-03T09:00", "2026-04-17T09:00", "2026-05-01T09:00");
        assertThat(dates(new Renewal(10, Renewal.Unit.DAYS, null), "2026-12-25T09:00:00Z[Europe/Dublin]"))
                .containsExactly("2027-01-04T09:00", "2027-01-14T09:00", "2027-01-24T09:00");
    }

    @Test
    void a_fixed_day_of_the_month_comes_first_after_the_order() {
        Renewal fifteenth = new Renewal(1, Renewal.Unit.MONTHS, Optional.of(15));
        assertThat(dates(fifteenth, "2026-11-25T09:00:00Z[Europe/Dublin]"))
                .containsExactly("2026-12-15T09:00", "2027-01-15T09:00", "2027-02-15T09:00");
        assertThat(dates(fifteenth, "2026-11-10T09:00:00Z[Europe/Dublin]"))
                .containsExactly("2026-11-15T09:00", "2026-12-15T09:00", "2027-01-15T09:00");
        assertThat(dates(new Renewal(1, Renewal.Unit.MONTHS, Optional.of(31)), "2026-11-25T09:00:00Z[Europe/Dublin]"))
                .containsExactly("2026-11-30T09:00", "2026-12-31T09:00", "2027-01-31T09:00");
    }

    @Test
    void a_code_counts_for_the_first_charge_unless_it_says_for_all() {
        Product paper = Thing.of("letter", "10.00", "s")
                .kind(Product.Kind.DIGITAL)
                .renews(1, Renewal.Unit.MONTHS, null)
                .product();
        Discounts.Rule once = new Discounts.Rule(
                "once",
                "Once",
                Optional.of("ONCE"),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal("50")),
                Optional.empty(),
                true,
                null);
        Discounts.Rule all = new Discounts.Rule(
                "all",
                "All",
                Optional.of("ALL"),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal("10")),
                Optional.empty(),
                true,
                null,
                true);
        Shops.Maker shop = shop().sells(paper).discounts(once).discounts(all);
        Quote quote = Pricing.price(
                shop.compiled(), Shops.order(IE, Line.of("letter", 1)).withCodes("once", "all"));
        assertThat(quote.payable().value()).isEqualByComparingTo("4.50");
        assertThat(quote.renewing()).singleElement().satisfies(renewing -> assertThat(renewing.charges())
                .extracting(charge -> charge.payable().value().toPlainString())
                .containsExactly("9.00", "9.00", "9.00"));
        assertThat(quote.renewing().get(0).charges())
                .extracting(RenewalCharges.Charge::at)
                .extracting(at -> at.toLocalDate().toString())
                .containsExactly("2026-12-25", "2027-01-25", "2027-02-25");
    }

    @Test
    void a_per_unit_amount_stands_on_top_outside_of_discounts_and_thresholds() {
        Discounts.Rule half = new Discounts.Rule(
                "half",
                "Half",
                Optional.empty(),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal("50")),
                Optional.empty(),
                true,
                null);
        Shops.Maker shop = shop().sells(Thing.of("cola", "2.00", "s")
                        .weighs("1 kg")
                        .perUnit("deposit", "0.25", "books", false)
                        .product())
                .discounts(half);
        Quote quote = price(shop, Line.of("cola", 10));
        // 20.00 − 10.00 + 2.50 + 5.00
        assertThat(quote.perUnit().orElseThrow().value()).isEqualByComparingTo("2.50");
        assertThat(quote.payable().value()).isEqualByComparingTo("17.50");
        assertThat(quote.taxes())
                .extracting(group -> group.category() + " " + group.amount().value())
                .as("a row of its own in its own category")
                .containsExactly("s 15.00", "books 2.50");
    }

    @Test
    void a_per_unit_amount_is_taxed_like_the_goods_in_its_own_category_or_not_at_all_as_the_seller_says() {
        for (Product.PerUnit.Taxed taxed : Product.PerUnit.Taxed.values()) {
            Product.PerUnit deposit = new Product.PerUnit(
                    "deposit",
                    "Deposit",
                    new BigDecimal("1.23"),
                    taxed == Product.PerUnit.Taxed.OWN_CATEGORY ? Optional.of("books") : Optional.empty(),
                    false,
                    Optional.of(taxed));
            Product cola = Thing.of("cola", "12.30", "s")
                    .weighs("1 kg")
                    .perUnit("x", "1.23", null, false)
                    .product();
            Product with = new Product(
                    cola.id(),
                    cola.name(),
                    cola.kind(),
                    cola.price(),
                    cola.category(),
                    cola.weight(),
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    cola.sending(),
                    null,
                    List.of(deposit),
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
            Quote quote = price(shop().sells(with), Line.of("cola", 1));
            String at = quote.taxes().stream()
                    .filter(group ->
                            group.parts().stream().anyMatch(part -> part.key().endsWith("/deposit")))
                    .map(group -> group.code() + " " + group.category())
                    .findFirst()
                    .orElseThrow();
            assertThat(at)
                    .isEqualTo(
                            switch (taxed) {
                                case LIKE_GOODS -> "S s";
                                case OWN_CATEGORY -> "Z books";
                                case OUTSIDE -> "O (outside)";
                            });
        }
    }

    @Test
    void a_bundle_is_shown_at_what_it_costs() {
        Shops.Maker shop = shop().sells(
                        Thing.of("a", "10.00", "s").weighs("1 kg").product())
                .sells(Thing.of("b", "4.50", "s")
                        .weighs("1 kg")
                        .option("size", "s", "l +2.00")
                        .product())
                .sells(Thing.of("both", "99.00", null)
                        .holds(Line.of("a", 1), new Line("b", BigDecimal.valueOf(2), Map.of("size", "l")))
                        .product());
        assertThat(shop.compiled()
                        .shelf()
                        .prices(
                                List.of("both"),
                                Optional.empty(),
                                vestcoin.core.why.Tracer.plain(
                                        shop.compiled().currency(), vestcoin.core.money.Rounding.HALF_UP))
                        .get("both"))
                .isEqualByComparingTo("23.00");
        assertThat(price(shop, Line.of("both", 1)).goods().value()).isEqualByComparingTo("23.00");
    }

    @Test
    void a_per_unit_amount_marked_inside_is_only_shown() {
        Quote quote = price(
                shop().sells(Thing.of("lamp", "20.00", "s")
                        .weighs("1 kg")
                        .perUnit("eco", "0.12", null, true)
                        .product()),
                Line.of("lamp", 2));
        assertThat(quote.perUnit()).isEmpty();
        assertThat(quote.lines().get(0).perUnit())
                .singleElement()
                .satisfies(levied -> assertThat(levied.amount().value()).isEqualByComparingTo("0.24"));
        assertThat(quote.payable().value()).isEqualByComparingTo("45.00");
    }

    /** Source: Directive 2006/112/EC, Article 30a–b: a multi-purpose voucher is no supply when it is sold. */
    @Test
    void a_voucher_sold_bears_no_tax_and_is_never_discounted() {
        Discounts.Rule half = new Discounts.Rule(
                "half",
                "Half",
                Optional.empty(),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal("50")),
                Optional.empty(),
                true,
                null);
        Shops.Maker shop = shop().sells("kite", "50.00", "s", "2 kg")
                .sells(Thing.of("voucher", "25.00", null)
                        .kind(Product.Kind.VOUCHER)
                        .product())
                .discounts(half);
        Quote quote = price(shop, Line.of("voucher", 2), Line.of("kite", 1));
        assertThat(quote.discounts().get(0).amount().value()).isEqualByComparingTo("25.00");
        assertThat(quote.payable().value()).as("50.00 + 25.00 + 5.00").isEqualByComparingTo("80.00");
        assertThat(quote.taxes())
                .extracting(group -> group.code() + " " + group.amount().value())
                .containsExactly("S 30.00", "O 50.00");
    }
}
