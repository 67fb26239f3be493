package vestcoin.core.tax;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import vestcoin.core.English;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.money.Exchange;
import vestcoin.core.place.Destination;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.quote.PricingContext;
import vestcoin.core.quote.Quote;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;

/**
 * Whose tax applies, by the articles of Directive 2006/112/EC the rules cite, and what stands still for buyers
 * elsewhere.
 */
class TaxJurisdictionTest {
    private static Shops.Maker shop() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("DE", "s", "19")
                .taxes("FR", "s", "20")
                .taxes("GB", "s", "20")
                .taxes("US", "s", "7")
                .taxes("CH", "s", "8.1")
                .sells(Thing.of("kite", "123.00", "s").weighs("1 kg").product())
                .sells(Thing.of("plan", "123.00", "s")
                        .kind(Product.Kind.DIGITAL)
                        .product())
                .sells(Thing.of("repair", "123.00", "s")
                        .kind(Product.Kind.SERVICE)
                        .product())
                .sells(Thing.of("advice", "123.00", "s")
                        .kind(Product.Kind.REMOTE_SERVICE)
                        .product())
                .delivers("WORLD", "post", "0.00")
                .registered("IE");
    }

    private static Buyer business(String country, boolean confirmed) {
        Buyer.Confirmed answer = new Buyer.Confirmed(confirmed, Instant.parse("2026-11-25T11:00:00Z"), "R-1");
        return BuyerBuilder.builder()
                .kind(Buyer.Kind.BUSINESS)
                .number(Optional.of(new Buyer.TaxNumber(country, "123456789", Optional.of(answer))))
                .build();
    }

    private static Quote price(Shops.Maker shop, String product, Destination to, UnaryOperator<Order> change) {
        return Pricing.price(shop.compiled(), change.apply(Shops.order(to, Line.of(product, 1))));
    }

    /** Code, rate and amount of the one group, as {@code S 23 123.00}. */
    private static String taxed(Quote quote) {
        TaxGroup group = quote.taxes().get(0);
        String rate = group.components().isEmpty()
                ? "-"
                : group.components().get(0).rate().value().toPlainString();
        return group.code() + " " + rate + " " + quote.payable().value().toPlainString();
    }

    private static String taxed(Shops.Maker shop, String product, String to, Buyer buyer) {
        return taxed(price(shop, product, Destination.of(to), order -> order.by(buyer)));
    }

    @ParameterizedTest
    @CsvSource({
        "kite, IE, S 23 123.00",
        "kite, DE, S 23 123.00",
        "kite, US, G - 123.00",
        "plan, DE, S 23 123.00",
        "plan, US, O - 123.00",
        "repair, DE, S 23 123.00",
        "repair, US, S 23 123.00",
        "advice, US, O - 123.00"
    })
    void of_an_irish_shop_registered_at_home_only(String product, String to, String expected) {
        assertThat(taxed(shop(), product, to, Buyer.PERSON)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource({
        "kite, DE, S 19 123.00",
        "plan, FR, S 20 123.00",
        "kite, IE, S 23 123.00",
        "repair, DE, S 23 123.00",
        "kite, CH, G - 123.00"
    })
    void with_the_one_stop_shop_the_destinations_rates(String product, String to, String expected) {
        assertThat(taxed(shop().oneStopShop(), product, to, Buyer.PERSON)).isEqualTo(expected);
    }

    @Test
    void registered_in_the_destination_its_rates() {
        assertThat(taxed(shop().registered("DE"), "kite", "DE", Buyer.PERSON)).isEqualTo("S 19 123.00");
        assertThat(taxed(shop().registered("DE"), "kite", "FR", Buyer.PERSON)).isEqualTo("S 23 123.00");
    }

    /**
     * Art. 59c: 10,000 euro of goods and digital together, this year and last, this order included; 123.00 with 23 % is
     * 100.00 net.
     */
    @ParameterizedTest
    @CsvSource({"0, 9900, S 23", "0, 9900.01, S 19", "10000, 0, S 23", "10000.01, 0, S 19"})
    void the_home_rate_holds_up_to_the_threshold(String last, String current, String expected) {
        Sales sales = new Sales(new BigDecimal(last), new BigDecimal(current));
        assertThat(taxed(price(
                        shop(),
                        "kite",
                        Destination.of("DE"),
                        order -> order.given(PricingContext.NOTHING.with(sales)))))
                .isEqualTo(expected + " 123.00");
    }

    /** Art. 138 for goods, Art. 44 and 196 for services; until the register confirms, the buyer is a consumer. */
    @Test
    void a_confirmed_business_in_another_member_state_pays_no_tax_and_the_stripped_price() {
        assertThat(taxed(shop(), "kite", "DE", business("DE", true))).isEqualTo("K - 100.00");
        assertThat(taxed(shop(), "plan", "DE", business("DE", true))).isEqualTo("AE - 100.00");
        assertThat(taxed(shop(), "advice", "DE", business("DE", true))).isEqualTo("AE - 100.00");
        assertThat(taxed(shop(), "repair", "DE", business("DE", true)))
                .as("a service at the shop is taxed there")
                .isEqualTo("S 23 123.00");
        assertThat(taxed(shop(), "kite", "DE", business("DE", false))).isEqualTo("S 23 123.00");
        assertThat(taxed(
                        shop(),
                        "kite",
                        "DE",
                        BuyerBuilder.builder()
                                .kind(Buyer.Kind.BUSINESS)
                                .number(Optional.of(new Buyer.TaxNumber("DE", "1", null)))
                                .build()))
                .isEqualTo("S 23 123.00");
        assertThat(taxed(shop(), "kite", "IE", business("IE", true)))
                .as("own state")
                .isEqualTo("S 23 123.00");
        assertThat(taxed(shop(), "kite", "DE", business("IE", true)))
                .as("a number of the home state")
                .isEqualTo("S 23 123.00");
        assertThat(taxed(shop(), "kite", "GR", business("EL", true)))
                .as("Greece writes EL")
                .isEqualTo("K - 100.00");
    }

    /** Windsor Framework: Northern Ireland is inside for goods only, with numbers that begin XI. */
    @Test
    void northern_ireland_buys_goods_inside_and_services_outside() {
        Destination belfast = Destination.of("GB", "BT1 5GS");
        assertThat(taxed(price(shop(), "kite", belfast, order -> order))).isEqualTo("S 23 123.00");
        assertThat(taxed(price(shop().oneStopShop(), "kite", belfast, order -> order)))
                .as("the United Kingdom's rate")
                .isEqualTo("S 20 123.00");
        assertThat(taxed(price(shop(), "kite", belfast, order -> order.by(business("XI", true)))))
                .isEqualTo("K - 100.00");
        assertThat(taxed(price(shop(), "plan", belfast, order -> order.by(business("XI", true)))))
                .isEqualTo("O - 123.00");
        assertThat(taxed(price(shop(), "kite", Destination.of("GB", "M1 1AE"), order -> order)))
                .isEqualTo("G - 123.00");
    }

    @Test
    void the_canary_islands_are_outside_and_monaco_is_france() {
        assertThat(taxed(price(
                        shop().taxes("ES", "s", "21").oneStopShop(),
                        "kite",
                        Destination.of("ES", "35001"),
                        order -> order)))
                .isEqualTo("G - 123.00");
        assertThat(taxed(price(
                        shop().taxes("MC", "s", "20").oneStopShop(),
                        "kite",
                        Destination.of("MC", "98000"),
                        order -> order)))
                .isEqualTo("S 20 123.00");
    }

    /** GB 135 [from memory]: below it a seller abroad charges the tax, above it the goods are exported. */
    @Test
    void a_registration_abroad_covers_consignments_up_to_its_value() {
        Tax.Registration british = new Tax.Registration(
                "gb", "GB", "", Tax.Scheme.ORDINARY, null, Optional.of(new Tax.Most(new BigDecimal("135"), "GBP")));
        Exchange rates = new Exchange("EUR", LocalDate.parse("2026-11-24"), Map.of("GBP", new BigDecimal("0.88")));
        Shops.Maker shop = shop().registered(british)
                .sells(Thing.of("big", "246.00", "s").weighs("1 kg").product());
        Destination leeds = Destination.of("GB", "LS1 1UR");
        // 100.00 net are 88.00 GBP; 200.00 net are 176.00 GBP
        assertThat(taxed(price(shop, "kite", leeds, order -> order.given(PricingContext.NOTHING.with(rates)))))
                .isEqualTo("S 20 123.00");
        assertThat(taxed(price(shop, "big", leeds, order -> order.given(PricingContext.NOTHING.with(rates)))))
                .isEqualTo("G - 246.00");
        Quote unknown = price(shop, "kite", leeds, order -> order);
        assertThat(taxed(unknown)).isEqualTo("G - 123.00");
        assertThat(unknown.treatments())
                .extracting(each -> English.of(each.sentence()))
                .containsExactly(
                        "There is no exchange rate to compare with the registration in United Kingdom: exported "
                                + "without tax.");
    }

    @Test
    void a_seller_outside_may_use_the_import_scheme_into_the_union() {
        Shops.Maker shop = new Shops.Maker()
                .in("CH", "CHF")
                .taxes("CH", "s", "8.1")
                .taxes("DE", "s", "19")
                .sells(Thing.of("kite", "108.10", "s").weighs("1 kg").product())
                .delivers("WORLD", "post", "0.00")
                .registered("CH");
        assertThat(taxed(shop, "kite", "DE", Buyer.PERSON)).isEqualTo("G - 108.10");
        Tax.Registration scheme = new Tax.Registration(
                "ioss",
                "EU",
                "",
                Tax.Scheme.IMPORT_SCHEME,
                null,
                Optional.of(new Tax.Most(new BigDecimal("150"), "CHF")));
        assertThat(taxed(shop.registered(scheme), "kite", "DE", Buyer.PERSON)).isEqualTo("S 19 108.10");
        assertThat(taxed(shop, "kite", "LI", Buyer.PERSON))
                .as("Liechtenstein is inland")
                .isEqualTo("S 8.1 108.10");
    }

    @Test
    void a_certificate_exempts_and_gives_the_stripped_price() {
        Quote quote = price(
                shop(),
                "kite",
                Destination.of("IE"),
                order -> order.by(BuyerBuilder.builder()
                        .exempt(Optional.of("diplomat, certificate 7"))
                        .build()));
        assertThat(taxed(quote)).isEqualTo("E - 100.00");
        assertThat(quote.treatments())
                .extracting(each -> English.of(each.sentence()))
                .containsExactly("Exempt buyer: diplomat, certificate 7");
    }

    /** Directive 2006/112/EC, Art. 284. */
    @Test
    void a_small_business_charges_no_tax_anywhere_and_keeps_its_price() {
        assertThat(taxed(shop().smallBusiness("No VAT: small business."), "kite", "IE", Buyer.PERSON))
                .isEqualTo("E - 123.00");
        assertThat(taxed(shop().smallBusiness("No VAT: small business."), "kite", "DE", business("DE", true)))
                .isEqualTo("E - 123.00");
    }

    /** 123.00 with 23 %: at 19 % the one gives 123.00 (19.64), the other 119.00 (19.00); exported 123.00 or 100.00. */
    @Test
    void what_stands_still_is_what_the_buyer_pays_or_what_the_seller_earns() {
        Shops.Maker pays = shop().oneStopShop();
        Shops.Maker earns = shop().oneStopShop().standing(Tax.CrossBorderPricing.WHAT_THE_SELLER_EARNS);
        Quote one = price(pays, "kite", Destination.of("DE"), order -> order);
        assertThat(one.payable().value()).isEqualByComparingTo("123.00");
        assertThat(one.tax().value()).isEqualByComparingTo("19.64");
        Quote other = price(earns, "kite", Destination.of("DE"), order -> order);
        assertThat(other.payable().value()).isEqualByComparingTo("119.00");
        assertThat(other.tax().value()).isEqualByComparingTo("19.00");
        assertThat(taxed(pays, "kite", "CH", Buyer.PERSON)).isEqualTo("G - 123.00");
        assertThat(taxed(earns, "kite", "CH", Buyer.PERSON)).isEqualTo("G - 100.00");
    }

    @Test
    void delivery_and_amount_discounts_are_re_rated_with_the_goods_they_belong_to() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("IE", "books", "0")
                .registered("IE")
                .sells(Thing.of("kite", "123.00", "s").weighs("1 kg").product())
                .sells(Thing.of("book", "100.00", "books").weighs("1 kg").product())
                .delivers("WORLD", "post", "12.30");
        Quote kite = Pricing.price(
                shop.compiled(),
                Shops.order(Destination.of("DE"), Line.of("kite", 1)).by(business("DE", true)));
        assertThat(kite.payable().value()).as("100.00 and 10.00").isEqualByComparingTo("110.00");
        Quote both = Pricing.price(
                shop.compiled(),
                Shops.order(Destination.of("DE"), Line.of("kite", 1), Line.of("book", 1))
                        .by(business("DE", true)));
        // shared once by the shelf prices 123.00 and 100.00, as for anybody: 6.78 and 5.52; the part with 23 % becomes
        // 5.51
        assertThat(both.chosen().orElseThrow().price().value()).isEqualByComparingTo("11.03");
    }

    @Test
    void goods_go_by_their_own_dispatch_country() {
        Delivery.Dispatch barn = new Delivery.Dispatch("barn", "Barn", Destination.of("DE"), null, null, null, null);
        Shops.Maker shop = shop().registered("DE")
                .dispatch(barn)
                .sells(Thing.of("tent", "119.00", "s")
                        .weighs("1 kg")
                        .from("barn")
                        .product());
        assertThat(taxed(shop, "tent", "DE", Buyer.PERSON)).as("within Germany").isEqualTo("S 19 119.00");
        assertThat(taxed(shop, "tent", "FR", Buyer.PERSON))
                .as("not sent from home: France's rate")
                .isEqualTo("S 20 119.00");
        assertThat(taxed(shop, "tent", "IE", business("IE", true)))
                .as("from Germany to a business in Ireland")
                .isEqualTo("K - 96.75");
    }

    @Test
    void two_pieces_of_evidence_have_to_agree_for_digital_goods() {
        Buyer german = BuyerBuilder.builder()
                .belongs(Optional.of(Destination.of("DE")))
                .evidence(Optional.of("FR"))
                .build();
        Quote quote = price(shop().oneStopShop(), "plan", Destination.of("IE"), order -> order.by(german));
        assertThat(taxed(quote)).isEqualTo("S 19 123.00");
        assertThat(English.of(quote.missing()))
                .containsExactly("Two pieces of evidence disagree on where the buyer belongs: Germany and France.");
    }
}
