package vestcoin.core.discount;

import static org.assertj.core.api.Assertions.assertThat;
import static vestcoin.core.quote.Shops.order;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.calendar.Window;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.why.Figure;

class DiscountCalculationTest {
    /** A discount in the making; automatic and combining unless said otherwise. */
    private static final class Rule {
        private final String id;
        private String code;
        private Discounts.Off off = Discounts.Off.GOODS;
        private String percent;
        private String amount;
        private boolean combines = true;
        private BigDecimal leastValue;
        private BigDecimal leastQuantity;
        private List<String> categories = List.of();
        private List<String> except = List.of();
        private List<Place> places = List.of();
        private boolean first;
        private Window window;
        private Integer uses;
        private Integer usesPerBuyer;

        Rule(String id) {
            this.id = id;
        }

        Rule code(String typed) {
            code = typed;
            return this;
        }

        Rule percent(String value) {
            percent = value;
            return this;
        }

        Rule amount(String value) {
            amount = value;
            return this;
        }

        Rule delivery() {
            off = Discounts.Off.DELIVERY;
            return this;
        }

        Rule alone() {
            combines = false;
            return this;
        }

        Rule from(String value) {
            leastValue = new BigDecimal(value);
            return this;
        }

        Rule fromThings(String quantity) {
            leastQuantity = new BigDecimal(quantity);
            return this;
        }

        Rule only(String... ids) {
            categories = List.of(ids);
            return this;
        }

        Rule not(String... ids) {
            except = List.of(ids);
            return this;
        }

        Rule in(String... texts) {
            places = Arrays.stream(texts).map(Place::parse).toList();
            return this;
        }

        Rule firstOrder() {
            first = true;
            return this;
        }

        Rule during(String from, String to) {
            window = new Window(Optional.of(LocalDate.parse(from)), Optional.of(LocalDate.parse(to)));
            return this;
        }

        Rule limits(Integer inAll, Integer perBuyer) {
            uses = inAll;
            usesPerBuyer = perBuyer;
            return this;
        }

        Discounts.Rule made() {
            return new Discounts.Rule(
                    id,
                    id,
                    Optional.ofNullable(code),
                    off,
                    Optional.ofNullable(percent).map(BigDecimal::new),
                    Optional.ofNullable(amount).map(BigDecimal::new),
                    combines,
                    new Discounts.Conditions(
                            Optional.ofNullable(leastValue),
                            Optional.ofNullable(leastQuantity),
                            categories,
                            except,
                            places,
                            first,
                            Optional.ofNullable(window),
                            Optional.ofNullable(uses),
                            Optional.ofNullable(usesPerBuyer)));
        }
    }

    private static Rule rule(String id) {
        return new Rule(id);
    }

    private static Shops.Maker shop(Rule... rules) {
        Shops.Maker maker = new Shops.Maker()
                .taxes("IE", "kites", "23")
                .taxes("IE", "books", "0")
                .sells("a", "33.33", "kites", "1 kg")
                .sells("b", "33.33", "books", "1 kg")
                .sells("c", "33.34", "kites", "1 kg")
                .sells("kite", "64.00", "kites", "1 kg")
                .delivers("WORLD", "post", "8.00, from 100 free");
        Arrays.stream(rules).map(Rule::made).forEach(maker::discounts);
        return maker;
    }

    private static Quote price(Shops.Maker shop, Order order) {
        return Pricing.price(CompiledSetup.of(shop.setup()), order);
    }

    private static Order three() {
        return order(Destination.of("IE"), Line.of("a", 1), Line.of("b", 1), Line.of("c", 1));
    }

    private static Order kites(int quantity) {
        return order(Destination.of("IE"), Line.of("kite", quantity));
    }

    private static List<String> taken(Quote quote) {
        return java.util.stream.Stream.concat(quote.discounts().stream(), quote.off().stream())
                .map(r -> r.rule().id() + " " + r.amount().value().toPlainString())
                .toList();
    }

    private static List<String> refused(Quote quote) {
        return quote.notApplied().stream()
                .map(not -> not.rule().id() + ": " + English.of(not.reason()))
                .toList();
    }

    /**
     * Source: Directive 2006/112/EC, Article 79(b): price reductions granted at the sale are not in the taxable amount.
     * An amount off the order lowers what each rate is levied on by the share of its lines.
     */
    @Test
    void an_amount_off_is_shared_over_the_lines_and_their_tax() {
        Quote quote = price(shop(rule("ten").amount("10.00")), three());
        Map<Integer, Figure> shares = quote.discounts().get(0).shares();
        assertThat(List.of(shares.get(0), shares.get(1), shares.get(2)))
                .extracting(share -> share.value().toPlainString())
                .containsExactly("3.33", "3.33", "3.34");
        assertThat(quote.payable().value()).isEqualByComparingTo("98.00");
        // (33.33 − 3.33) + (33.34 − 3.34) and their share of 8.00: 60.00 + 5.33 at 23 %
        assertThat(quote.taxes().get(0).amount().value()).isEqualByComparingTo("65.33");
        assertThat(quote.tax().value()).isEqualByComparingTo("12.22");
    }

    @Test
    void nothing_goes_below_zero() {
        Quote quote = price(shop(rule("much").amount("500.00"), rule("more").amount("5.00")), kites(1));
        assertThat(taken(quote)).containsExactly("much 64.00", "more 0.00");
        assertThat(quote.payable().value()).isEqualByComparingTo("8.00");
    }

    @Test
    void automatic_ones_come_first_then_codes_in_the_order_typed() {
        Shops.Maker shop = shop(
                rule("c1").code("ONE").percent("10"),
                rule("auto").percent("50"),
                rule("c2").code("TWO").amount("10.00"));
        assertThat(taken(price(shop, kites(1).withCodes("two", " One "))))
                .containsExactly("auto 32.00", "c2 10.00", "c1 2.20");
        assertThat(taken(price(shop, kites(1)))).containsExactly("auto 32.00");
        assertThat(taken(price(shop, kites(1).withCodes("ONE", "one"))))
                .as("typed twice counts once")
                .containsExactly("auto 32.00", "c1 3.20");
    }

    @Test
    void a_code_for_one_order_stands_for_its_discount_once_and_is_named_as_typed() {
        Shops.Maker shop =
                shop(rule("c1").code("ONE").percent("10"), rule("auto").percent("50"));
        History free = History.NONE.with(Map.of("K7QX-93FD-AAAA", "c1", "K7QX-93FD-CCCC", "c1", "GONE", "nothing"));
        Quote quote = price(shop, kites(1).after(free).withCodes("k7qx-93fd-aaaa", "K7QX-93FD-CCCC", "GONE"));
        assertThat(taken(quote)).containsExactly("auto 32.00", "c1 3.20");
        assertThat(quote.discounts().get(1).rule().code()).contains("K7QX-93FD-AAAA");
        assertThat(taken(price(shop, kites(1).withCodes("K7QX-93FD-AAAA"))))
                .as("used, or never made")
                .containsExactly("auto 32.00");
    }

    @Test
    void a_discount_off_goods_lowers_the_value_that_free_delivery_reads() {
        assertThat(price(shop(), kites(2)).chosen().orElseThrow().price().zero())
                .isTrue();
        Quote quote = price(shop(rule("auto").percent("25")), kites(2));
        assertThat(quote.chosen().orElseThrow().price().value()).isEqualByComparingTo("8.00");
        assertThat(quote.payable().value()).isEqualByComparingTo("104.00");
    }

    @Test
    void a_discount_off_the_delivery_leaves_the_goods_alone() {
        Quote quote = price(
                shop(
                        rule("half").delivery().percent("50"),
                        rule("three").delivery().amount("3.00")),
                kites(1));
        assertThat(taken(quote)).containsExactly("half 4.00", "three 3.00");
        assertThat(quote.payable().value()).isEqualByComparingTo("65.00");
        assertThat(quote.taxes().get(0).amount().value()).isEqualByComparingTo("65.00");
    }

    @Test
    void one_that_stands_alone_is_compared_with_all_that_combine_by_the_whole_reduction() {
        Rule small = rule("a-small").percent("5");
        Rule post = rule("b-post").delivery().percent("100");
        // together 3.20 + 8.00 = 11.20 off 72.00
        Quote together = price(shop(small, post, rule("alone").alone().amount("11.19")), kites(1));
        assertThat(taken(together)).containsExactly("a-small 3.20", "b-post 8.00");
        assertThat(refused(together)).containsExactly("alone: It stands alone, and others take off as much or more.");
        Quote alone = price(shop(small, post, rule("alone").alone().amount("11.21")), kites(1));
        assertThat(taken(alone)).containsExactly("alone 11.21");
        assertThat(refused(alone)).contains("a-small: Another discount that stands alone takes off more.");
    }

    @Test
    void one_that_stands_alone_and_is_short_of_its_bound_says_what_is_missing() {
        Quote quote = price(shop(rule("alone").alone().amount("12.00").from("100")), kites(1));
        assertThat(taken(quote)).isEmpty();
        assertThat(refused(quote))
                .singleElement()
                .asString()
                .contains("still missing")
                .contains("36.00");
    }

    @Test
    void ties_go_to_the_combining_ones_then_to_the_smaller_id() {
        assertThat(taken(price(shop(rule("z").amount("5.00"), rule("a").alone().amount("5.00")), kites(1))))
                .containsExactly("z 5.00");
        assertThat(taken(price(
                        shop(rule("z").alone().amount("5.00"), rule("a").alone().amount("5.00")), kites(1))))
                .containsExactly("a 5.00");
    }

    @ParameterizedTest
    @CsvSource({"1, false", "2, true"})
    void a_smallest_spend_reads_the_goods_after_earlier_discounts_its_figure_included(int quantity, boolean applies) {
        // 64.00 − 14.00 = 50.00 and 128.00 − 14.00 = 114.00
        Quote quote = price(
                shop(rule("first").amount("14.00"), rule("big").percent("10").from("50.01")), kites(quantity));
        assertThat(taken(quote)).hasSize(applies ? 2 : 1);
        assertThat(taken(price(
                        shop(
                                rule("first").amount("14.00"),
                                rule("big").percent("10").from("50.00")),
                        kites(1))))
                .containsExactly("first 14.00", "big 5.00");
    }

    @Test
    void groups_in_and_out_decide_what_it_is_taken_off() {
        assertThat(taken(price(shop(rule("books").percent("10").only("books")), three())))
                .containsExactly("books 3.33");
        assertThat(taken(price(shop(rule("rest").percent("10").not("books")), three())))
                .containsExactly("rest 6.67");
        assertThat(refused(price(shop(rule("books").percent("10").only("books")), kites(1))))
                .containsExactly("books: Nothing in the basket is in it.");
        assertThat(refused(price(shop(rule("many").percent("10").fromThings("3").only("kites")), three())))
                .containsExactly("many: Only from 3 things; still missing: 1.");
    }

    @Test
    void each_condition_that_is_not_met_is_said() {
        History used = new History(Map.of("few", 5), Map.of("mine", 1), 2);
        Shops.Maker shop = shop(
                rule("few").percent("1").limits(5, null),
                rule("mine").percent("1").limits(null, 1),
                rule("new").percent("1").firstOrder(),
                rule("north").percent("1").in("GB:BT"),
                rule("may").percent("1").during("2026-05-01", "2026-05-31"),
                rule("large").percent("1").from("500"));
        assertThat(refused(price(shop, kites(1).after(used))))
                .containsExactly(
                        "few: Used up: 5 in all.",
                        "mine: This buyer has used it 1 times.",
                        "new: Only for a first order.",
                        "north: Not for this place.",
                        "may: Not on this day.",
                        "large: Only from goods of 500.00; still missing: 436.00.");
        Quote fresh = price(
                shop,
                order(Destination.of("GB", "BT1 5GS"), Line.of("kite", 9))
                        .placed(Instant.parse("2026-05-15T12:00:00Z")));
        assertThat(refused(fresh)).isEmpty();
        assertThat(taken(fresh)).hasSize(6);
    }

    @Test
    void a_donation_is_never_discounted_and_never_counted() {
        Product gift = Thing.of("gift", "0.00", "books")
                .kind(Product.Kind.DONATION)
                .bounds("1.00", "500.00")
                .product();
        Line given =
                new Line("gift", BigDecimal.ONE, Map.of(), Optional.of(new BigDecimal("100.00")), Map.of(), List.of());
        Quote quote = price(
                shop(rule("half").percent("50"), rule("big").amount("1.00").from("40"))
                        .sells(gift),
                order(Destination.of("IE"), Line.of("kite", 1), given));
        assertThat(taken(quote)).containsExactly("half 32.00");
        assertThat(quote.chosen().orElseThrow().price().value())
                .as("32.00 of goods do not reach free delivery")
                .isEqualByComparingTo("8.00");
        assertThat(quote.payable().value()).isEqualByComparingTo("140.00");
    }

    @Test
    void a_percent_is_rounded_once_on_all_it_is_taken_off() {
        // 10 % of 99.99 + 0.01: 33.33 × 3 = 99.99 → 10.00, not 3 × 3.33
        Shops.Maker shop = shop(rule("ten").percent("10"));
        Quote quote = price(shop, order(Destination.of("IE"), Line.of("a", 3)));
        assertThat(taken(quote)).containsExactly("ten 10.00");
    }
}
