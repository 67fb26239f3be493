package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.delivery.CarrierAnswers;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Size;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Exchange;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Destination;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;

class OrderCostsTest {
    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells(Thing.of("kite", "68.00", "s")
                        .weighs("1.2 kg")
                        .size("90 × 10 × 10 cm")
                        .costs("31.00")
                        .product())
                .sells(Thing.of("tail", "6.00", "s")
                        .weighs("0.1 kg")
                        .size("10 × 10 × 2 cm")
                        .product())
                .parcels(new ParcelType(
                        "tube",
                        "Tube",
                        Size.parse("i", "100 × 15 × 15 cm"),
                        Size.parse("o", "101 × 16 × 16 cm"),
                        Weight.parse("w", "0.3 kg"),
                        Optional.empty(),
                        Optional.of(new BigDecimal("0.85"))))
                .delivers("IE", "post", "7.90")
                .delivers("IE", "van", "9.00")
                .costs("IE", "post", "to 2 kg 4.20, to 5 kg 6.80")
                .pays(new Payment.Method(
                        "bank", Payment.Kind.TRANSFER, true, "Bank", "", null, null, null, null, null));
    }

    private static Quote quote(Shops.Maker shop, String delivery, Line... lines) {
        return Pricing.price(
                shop.compiled(),
                Shops.order(Destination.of("IE"), lines).withDelivery(delivery).withMethod("bank"));
    }

    private static List<String> uncounted(Quote quote) {
        return quote.costs().uncounted().stream().map(English::of).toList();
    }

    /** 75.90 with 14.19 VAT inside (75.90 × 23 ÷ 123); 31.00 + 0.85 + 4.20 are borne: 25.66 stay. Reckoned by hand. */
    @Test
    void what_is_kept_is_less_tax_goods_packing_and_carrier() {
        Quote quote = quote(shop(), "post", Line.of("kite", 1));
        assertThat(quote.payable().value()).isEqualByComparingTo("75.90");
        assertThat(quote.tax().value()).isEqualByComparingTo("14.19");
        assertThat(quote.costs().all()).isEqualByComparingTo("36.05");
        assertThat(quote.keep()).isEqualByComparingTo("25.66");
        assertThat(quote.method("bank").orElseThrow().keep()).isEqualByComparingTo("25.66");
        assertThat(uncounted(quote)).isEmpty();
    }

    @Test
    void a_carriers_cost_goes_by_the_packed_weight() {
        assertThat(quote(shop(), "post", Line.of("kite", 1), Line.of("tail", 6))
                        .costs()
                        .carrier()
                        .orElseThrow()
                        .value())
                .isEqualByComparingTo("6.80");
    }

    @Test
    void what_is_not_known_is_said_and_not_counted() {
        assertThat(uncounted(quote(shop(), "post", Line.of("tail", 1)))).containsExactly("goods not counted");
        assertThat(uncounted(quote(shop(), "van", Line.of("kite", 1)))).containsExactly("carrier not counted");
        assertThat(uncounted(quote(
                        new Shops.Maker()
                                .taxes("IE", "s", "23")
                                .sells("p", "10.00", "s", "1 kg")
                                .delivers("IE", "post", "4.00"),
                        "post",
                        Line.of("p", 1))))
                .containsExactly("goods not counted", "packing not counted", "carrier not counted");
    }

    @Test
    void a_carriers_answer_is_its_cost_where_none_is_typed() {
        Shops.Maker shop = shop().delivers("IE", "van", "quote day, else 9.00");
        Order order = Shops.order(Destination.of("IE"), Line.of("kite", 1)).withDelivery("van");
        PricingContext answered =
                PricingContext.NOTHING.with(new CarrierAnswers(Map.of("day", new BigDecimal("5.55"))));
        assertThat(Pricing.price(shop.compiled(), order.given(answered))
                        .costs()
                        .carrier()
                        .orElseThrow()
                        .value())
                .isEqualByComparingTo("5.55");
        assertThat(Pricing.price(shop.compiled(), order).costs().carrier()).isEmpty();
    }

    @Test
    void a_voucher_sold_is_not_kept() {
        Shops.Maker shop = shop().sells(Thing.of("gift", "50.00", null)
                .kind(Product.Kind.VOUCHER)
                .product());
        Quote quote = Pricing.price(
                shop.compiled(),
                Shops.order(Destination.of("IE"), Line.of("gift", 1)).withMethod("bank"));
        assertThat(quote.payable().value()).isEqualByComparingTo("50.00");
        assertThat(quote.keep()).isEqualByComparingTo("0.00");
    }

    /** At 2 francs a euro with 10 % added for buyers: 31.00 euro of goods are 62.00 francs to the seller, not 68.20. */
    @Test
    void costs_are_converted_at_the_rates_alone() {
        Setup setup = shop().takes("CHF", "10", null).setup();
        Order order = Shops.order(Destination.of("IE"), Line.of("kite", 1))
                .withDelivery("post")
                .in("CHF")
                .given(PricingContext.NOTHING.with(
                        new Exchange("EUR", LocalDate.parse("2026-11-20"), Map.of("CHF", BigDecimal.valueOf(2)))));
        Quote quote = Pricing.price(CompiledSetup.of(setup), order);
        assertThat(quote.lines().get(0).amount().value()).isEqualByComparingTo("149.60");
        assertThat(quote.costs().goods().orElseThrow().value()).isEqualByComparingTo("62.00");
        assertThat(quote.costs().carrier().orElseThrow().value()).isEqualByComparingTo("8.40");
    }
}
