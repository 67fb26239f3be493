package vestcoin.core.payment;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.basket.Basket;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.Tax;

/** Methods with conditions and charges, vouchers, and the rounding of cash. */
class PayingTest {
    private static final Destination CH = Destination.of("CH");

    private static Payment.Method method(String id, Payment.Kind kind, Payment.Charge charge, Payment.Conditions when) {
        return new Payment.Method(
                id,
                kind,
                true,
                id,
                "",
                kind.throughProvider() ? Optional.of("cards") : Optional.empty(),
                null,
                Optional.ofNullable(charge),
                when,
                null);
    }

    private static Shops.Maker shop(String price) {
        return new Shops.Maker()
                .in("CH", "CHF")
                .taxes("CH", "s", "8.1")
                .sells(Thing.of("puppet", price, "s").weighs("1 kg").product())
                .delivers("CH", "post", "0.00")
                .delivers("DE", "van", "9.00")
                .pays(method("door", Payment.Kind.CASH_ON_DELIVERY, null, null));
    }

    private static Quote price(Shops.Maker shop, Order order) {
        return Pricing.price(shop.compiled(), order);
    }

    private static Order order(String method) {
        return Order.of(Shops.NOON, Basket.of(List.of(Line.of("puppet", 1)), CH), Map.of("cards", Gateway.TEST))
                .withMethod(method);
    }

    /** 17.97 → 17.95 and 17.98 → 18.00 are the worked figures of the rule; the step is CLDR's for CHF. */
    @ParameterizedTest
    @CsvSource({"17.97, 17.95, -0.02", "17.98, 18.00, 0.02", "17.95, 17.95, 0.00", "0.02, 0.00, -0.02"})
    void only_what_is_paid_in_cash_is_rounded_half_up(String price, BigDecimal paid, BigDecimal rounding) {
        Quote cash = price(shop(price), order("door"));
        assertThat(cash.toPay().value()).isEqualByComparingTo(paid);
        assertThat(cash.rounding().orElseThrow().value()).isEqualByComparingTo(rounding);
        assertThat(cash.payable().value()).as("never part of a tax base").isEqualByComparingTo(price);
        assertThat(price(shop(price), order("card")).rounding()).isEmpty();
    }

    @Test
    void cash_is_rounded_after_vouchers_and_by_the_sellers_own_step_if_there_is_one() {
        Order order = order("door")
                .given(PricingContext.NOTHING.with(new PricingContext.Voucher("GIFT-1", new BigDecimal("10.00"))));
        Quote quote = price(shop("17.97"), order);
        assertThat(quote.vouchers())
                .singleElement()
                .satisfies(use -> assertThat(use.used().value()).isEqualByComparingTo("10.00"));
        assertThat(quote.toPay().value()).isEqualByComparingTo("7.95");
        assertThat(price(
                                shop("17.97").payment(p -> PaymentBuilder.builder()
                                        .methods(p.methods())
                                        .cashSteps(Map.of("CHF", new BigDecimal("0.50")))
                                        .build()),
                                order)
                        .toPay()
                        .value())
                .isEqualByComparingTo("8.00");
    }

    /** Source: Directive 2006/112/EC, Article 30a–b: used, a multi-purpose voucher is a means of payment. */
    @Test
    void a_voucher_used_touches_neither_goods_nor_tax() {
        Order order = order("card")
                .given(PricingContext.NOTHING.with(
                        new PricingContext.Voucher("A", new BigDecimal("15.00")),
                        new PricingContext.Voucher("B", new BigDecimal("15.00"))));
        Quote without = price(shop("20.00"), order("card"));
        Quote with = price(shop("20.00"), order);
        assertThat(with.payable()).isEqualTo(without.payable());
        assertThat(with.tax()).isEqualTo(without.tax());
        assertThat(with.vouchers())
                .extracting(use -> use.code() + " " + use.used().value())
                .containsExactly("A 15.00", "B 5.00");
        assertThat(with.toPay().zero()).isTrue();
    }

    /**
     * payments.md: on what this provider takes, round half up(percent × amount + fixed), whatever the shop's rounding.
     */
    @Test
    void the_providers_fee_is_on_what_it_takes_and_rounded_half_up() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kite", "123.25", "s", "1 kg")
                .delivers("IE", "post", "0.00");
        Order order = Shops.order(Destination.of("IE"), Line.of("kite", 1)).withMethod("card");
        // 1.4 % of 123.25 is 1.7255, with 0.25 it is 1.9755
        assertThat(fee(shop.rounding(vestcoin.core.money.Rounding.DOWN), order)).isEqualByComparingTo("1.98");
        assertThat(price(shop, order).method("card").orElseThrow().arrives()).isEqualByComparingTo("121.27");
        // 23.25 are left after a voucher of 100.00: 0.3255 and 0.25
        assertThat(fee(
                        shop,
                        order.given(vestcoin.core.quote.PricingContext.NOTHING.with(
                                new vestcoin.core.quote.PricingContext.Voucher("V", new BigDecimal("100.00"))))))
                .isEqualByComparingTo("0.58");
        assertThat(fee(
                        shop,
                        order.given(vestcoin.core.quote.PricingContext.NOTHING.with(
                                new vestcoin.core.quote.PricingContext.Voucher("V", new BigDecimal("200.00"))))))
                .as("paid by voucher alone")
                .isEqualByComparingTo("0.00");
    }

    private static BigDecimal fee(Shops.Maker shop, Order order) {
        return price(shop, order)
                .method("card")
                .orElseThrow()
                .fee()
                .orElseThrow()
                .value();
    }

    @Test
    void a_charge_is_measured_on_the_amount_before_it_and_taxed_as_the_delivery_is() {
        Shops.Maker shop = new Shops.Maker()
                .in("CH", "CHF")
                .taxes("CH", "s", "8.1")
                .taxes("CH", "books", "2.6")
                .sells(Thing.of("puppet", "60.00", "s").weighs("1 kg").product())
                .sells(Thing.of("book", "40.00", "books").weighs("1 kg").product())
                .delivers("CH", "post", "0.00")
                .pays(method(
                        "bill",
                        Payment.Kind.CHEQUE,
                        new Payment.Charge(new BigDecimal("2"), new BigDecimal("1.00")),
                        null));
        Order order = Order.of(Shops.NOON, Basket.of(List.of(Line.of("puppet", 1), Line.of("book", 1)), CH), Map.of())
                .withMethod("bill");
        Quote quote = price(shop, order);
        assertThat(quote.fee().orElseThrow().value())
                .as("2 % of 100.00 and 1.00")
                .isEqualByComparingTo("3.00");
        assertThat(quote.payable().value()).isEqualByComparingTo("103.00");
        assertThat(quote.taxes())
                .extracting(group -> group.category() + " " + group.amount().value())
                .containsExactly("s 61.80", "books 41.20");
    }

    @Test
    void a_method_may_take_something_off_and_with_tax_on_top_the_tax_follows() {
        Shops.Maker shop = new Shops.Maker()
                .in("CH", "CHF")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("CH", "s", "8.1")
                .sells(Thing.of("puppet", "100.00", "s").weighs("1 kg").product())
                .delivers("CH", "post", "0.00")
                .pays(method("bank", Payment.Kind.TRANSFER, new Payment.Charge(null, new BigDecimal("-5.00")), null));
        Quote quote = price(shop, order("bank"));
        assertThat(quote.fee().orElseThrow().value()).isEqualByComparingTo("-5.00");
        assertThat(quote.tax().value()).as("8.1 % of 95.00").isEqualByComparingTo("7.70");
        assertThat(quote.payable().value()).isEqualByComparingTo("102.70");
    }

    private static String hidden(Payment.Method method, Order order) {
        return price(shop("20.00").buyers("trade", "10").buyers("club", null).pays(method), order)
                .method(method.id())
                .orElseThrow()
                .hidden()
                .map(English::of)
                .orElse("");
    }

    @Test
    void a_method_that_is_not_seen_says_why() {
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .least(Optional.of(new BigDecimal("20.01")))
                                        .build()),
                        order(null)))
                .isEqualTo("Only from 20.01.");
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .least(Optional.of(new BigDecimal("20.00")))
                                        .most(Optional.of(new BigDecimal("20.00")))
                                        .build()),
                        order(null)))
                .isEmpty();
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .places(List.of(Place.parse("DE")))
                                        .build()),
                        order(null)))
                .isEqualTo("Not for this place.");
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .buyers(Optional.of(Buyer.Kind.BUSINESS))
                                        .build()),
                        order(null)))
                .isEqualTo("Only for businesses.");
        Payment.Method forTrade = method(
                "m",
                Payment.Kind.TRANSFER,
                null,
                PaymentConditionsBuilder.builder().groups(List.of("trade")).build());
        assertThat(hidden(forTrade, order(null))).isEqualTo("Only for some groups of buyers.");
        assertThat(hidden(forTrade, order(null).ofGroup("club"))).isEqualTo("Only for some groups of buyers.");
        assertThat(hidden(forTrade, order(null).ofGroup("trade"))).isEmpty();
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .deliveries(List.of("van"))
                                        .build()),
                        order(null)))
                .isEqualTo("Does not go with this delivery.");
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .currencies(List.of("EUR"))
                                        .build()),
                        order(null)))
                .isEqualTo("Not in CHF.");
        assertThat(hidden(
                        method(
                                "m",
                                Payment.Kind.TRANSFER,
                                null,
                                PaymentConditionsBuilder.builder()
                                        .except(List.of("s"))
                                        .build()),
                        order(null)))
                .isEqualTo("Not with puppet.");
        assertThat(hidden(method("m", Payment.Kind.CASH_AT_PICKUP, null, null), order(null)))
                .isEqualTo("Only for orders that are collected.");
        assertThat(price(shop("20.00"), order(null))
                        .method("door")
                        .orElseThrow()
                        .hidden()
                        .map(English::of))
                .isEmpty();
        assertThat(price(
                                shop("20.00")
                                        .sells(Thing.of("film", "5.00", "s")
                                                .kind(Product.Kind.DIGITAL)
                                                .product()),
                                order(null).of(List.of(Line.of("film", 1))))
                        .method("door")
                        .orElseThrow()
                        .hidden()
                        .map(English::of))
                .contains("Nothing is handed over at a door.");
    }
}
