package vestcoin.core.quote;

import static org.assertj.core.api.Assertions.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.STRING;
import static vestcoin.core.quote.Shops.order;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import vestcoin.core.English;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.money.Rounding;
import vestcoin.core.payment.Gateway;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.problem.Problem;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxGroup;
import vestcoin.core.why.Figure;
import vestcoin.core.why.Op;

class PricingTest {
    private static final Shops.Maker KITES = new Shops.Maker()
            .taxes("IE", "standard", "23")
            .taxes("IE", "book", "0")
            .taxes("DE", "standard", "19")
            .taxes("DE", "book", "7")
            .sells("delta", "64.00", "standard", "2.75 kg")
            .sells("book", "24.50", "book", "0.6 kg")
            .sells("plan", "9.00", "standard", "")
            .sells(
                    "reel",
                    "12.00",
                    "standard",
                    "1 kg",
                    new Product.Option(
                            "line",
                            "Line",
                            List.of(
                                    new Product.Choice("short", "50 m", Optional.empty(), Optional.empty()),
                                    new Product.Choice(
                                            "long", "100 m", Optional.of(new BigDecimal("4.50")), Optional.empty()),
                                    new Product.Choice(
                                            "pro", "Braided", Optional.empty(), Optional.of(new BigDecimal("12.5"))))))
            .delivers("IE", "tube", "to 1 kg 6.90, to 5 kg 9.40, then +0.80/kg")
            .delivers("IE", "letter", "2.20, from 80 free")
            .delivers("EU", "tube", "to 5 kg 18.20");

    private static Quote price(Shops.Maker shop, Order order) {
        return Pricing.price(CompiledSetup.of(shop.setup()), order);
    }

    private static String amount(Figure figure) {
        return figure.value().toPlainString();
    }

    @Test
    void a_weight_above_the_last_band_pays_for_each_started_step() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "10.00", "s", "23.2 kg")
                .delivers("IE", "post", "to 1 kg 4.90, to 5 kg 7.90, to 20 kg 14.90, then +0.80/kg");
        assertThat(amount(price(shop, order(Destination.of("IE"), Line.of("p", 1)))
                        .chosen()
                        .orElseThrow()
                        .price()))
                .isEqualTo("18.10");
    }

    @Test
    void bands_hold_up_to_and_including_their_figure_and_pounds_are_exact() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("pound", "1.00", "s", "1 lb")
                .sells("kilo", "1.00", "s", "0.45359237 kg")
                .delivers("IE", "post", "to 3 lb 4.00, to 4 lb 5.00");
        assertThat(amount(price(shop, order(Destination.of("IE"), Line.of("pound", 1), Line.of("kilo", 2)))
                        .chosen()
                        .orElseThrow()
                        .price()))
                .isEqualTo("4.00");
        assertThat(amount(price(shop, order(Destination.of("IE"), Line.of("pound", 4)))
                        .chosen()
                        .orElseThrow()
                        .price()))
                .isEqualTo("5.00");
    }

    @Test
    void an_option_that_is_not_offered_says_why() {
        Quote quote = price(KITES, order(Destination.of("DE"), Line.of("delta", 2)));
        assertThat(quote.offers()).hasSize(2).allSatisfy(offer -> assertThat(offer)
                .isInstanceOf(Offer.Unavailable.class));
        assertThat(quote.offers())
                .extracting(offer -> English.of(((Offer.Unavailable) offer).reason()))
                .containsExactly("Over 5 kg.", "Not offered in EU.");
        assertThat(English.of(quote.missing())).containsExactly("Nothing delivers this basket to this place.");
    }

    @Test
    void delivery_is_free_from_the_figure_itself() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("p", "40.00", "s", "1 kg")
                .sells("q", "39.99", "s", "1 kg")
                .delivers("IE", "post", "6.50, from 80 free");
        assertThat(price(shop, order(Destination.of("IE"), Line.of("p", 2)))
                        .chosen()
                        .orElseThrow()
                        .price()
                        .zero())
                .isTrue();
        assertThat(amount(price(shop, order(Destination.of("IE"), Line.of("p", 1), Line.of("q", 1)))
                        .chosen()
                        .orElseThrow()
                        .price()))
                .isEqualTo("6.50");
    }

    private static String delivery(String rule, Line... lines) {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells("kilo", "33.33", "s", "1.255 kg")
                .sells("pound", "10.00", "s", "1 lb")
                .delivers("IE", "post", rule);
        return amount(price(shop, order(Destination.of("IE"), lines))
                .chosen()
                .orElseThrow()
                .price());
    }

    @Test
    void a_base_and_something_for_each_kilogram_item_or_percent_is_rounded_once() {
        // 4.00 + 1.255 × 1.20 = 5.506
        assertThat(delivery("4.00 + 1.20/kg", Line.of("kilo", 1))).isEqualTo("5.51");
        assertThat(delivery("4.00 + 0.50/item", Line.of("kilo", 3), Line.of("pound", 1)))
                .isEqualTo("6.00");
        // 4.00 + 2.5 % of 99.99 = 6.49975
        assertThat(delivery("4.00 + 2.5 %", Line.of("kilo", 3))).isEqualTo("6.50");
        assertThat(delivery("4.00 + 1.10/lb", Line.of("pound", 3)))
                .as("pounds are exact")
                .isEqualTo("7.30");
    }

    @Test
    void an_option_does_not_carry_what_is_beyond_its_limits() {
        Delivery.Limits limits = new Delivery.Limits(
                Optional.of(Weight.parse("w", "2 kg")),
                Optional.of(new BigDecimal("20")),
                Optional.of(new BigDecimal("90")),
                Optional.of(new BigDecimal("4")),
                List.of("glass"));
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .taxes("IE", "glass", "23")
                .sells("a", "20.00", "s", "0.5 kg")
                .sells("b", "1.00", "s", "0.1 kg")
                .sells("c", "50.00", "s", "0.1 kg")
                .sells("jar", "20.00", "glass", "0.1 kg")
                .delivers("IE", "bike", "3.00")
                .limits("bike", limits);
        assertThat(price(shop, order(Destination.of("IE"), Line.of("a", 4))).offers())
                .singleElement()
                .isInstanceOf(Offer.Available.class);
        assertThat(reason(shop, Line.of("a", 4), Line.of("b", 1))).isEqualTo("Over 2 kg.");
        assertThat(reason(shop, Line.of("b", 1))).isEqualTo("Only from goods of 20.00.");
        assertThat(reason(shop, Line.of("c", 2))).isEqualTo("Only to goods of 90.00.");
        assertThat(reason(shop, Line.of("b", 5), Line.of("a", 1))).isEqualTo("Over 4 items.");
        assertThat(reason(shop, Line.of("jar", 1))).isEqualTo("Does not carry glass.");
    }

    private static String reason(Shops.Maker shop, Line... lines) {
        return English.of(((Offer.Unavailable)
                        price(shop, order(Destination.of("IE"), lines)).offers().get(0))
                .reason());
    }

    @Test
    void a_shop_without_any_option_delivers_nothing_and_says_so() {
        Shops.Maker shop = new Shops.Maker().taxes("IE", "s", "23").sells("p", "10.00", "s", "1 kg");
        assertThat(English.of(price(shop, order(Destination.of("IE"), Line.of("p", 1)))
                        .missing()))
                .containsExactly("Nothing delivers this basket to this place.");
    }

    @Test
    void choices_add_amounts_and_percents_of_the_shelf_price() {
        assertThat(amount(price(
                                KITES,
                                order(Destination.of("IE"), new Line("reel", BigDecimal.ONE, Map.of("line", "long"))))
                        .goods()))
                .isEqualTo("16.50");
        assertThat(amount(price(
                                KITES,
                                order(
                                        Destination.of("IE"),
                                        new Line("reel", BigDecimal.valueOf(2), Map.of("line", "pro"))))
                        .goods()))
                .isEqualTo("27.00");
    }

    @Test
    void a_download_needs_no_delivery() {
        Quote quote = price(KITES, order(Destination.of("JP"), Line.of("plan", 1)));
        assertThat(quote.offers()).isEmpty();
        assertThat(English.of(quote.missing())).isEmpty();
        assertThat(amount(quote.payable())).isEqualTo("9.00");
    }

    /**
     * Source: A New Tax System (Goods and Services Tax) Act 1999 (Cth), s 9-70 and 9-75: GST is one eleventh of the
     * price.
     */
    @Test
    void while_nobody_has_said_where_delivery_and_added_tax_are_left_out() {
        Shops.Maker added = new Shops.Maker()
                .in("US", "USD")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("US", "s", "7")
                .sells("dial", "100.00", "s", "1 kg")
                .delivers("US", "post", "9.00");
        Destination home = added.compiled().home();
        Order asked = order(home, Line.of("dial", 1));
        assertThat(amount(price(added, asked).payable())).isEqualTo("116.63");
        Quote nowhere = price(added, asked.unplaced(home));
        assertThat(amount(nowhere.payable())).isEqualTo("100.00");
        assertThat(nowhere.taxes()).isEmpty();
        assertThat(nowhere.missing().stream().map(Message::code)).containsExactly("quote.nobody-has-said-where");
        assertThat(amount(price(
                                KITES,
                                order(Destination.of("IE"), Line.of("delta", 1)).unplaced(Destination.of("IE")))
                        .payable()))
                .as("inside of prices it is that of the prices shown")
                .isEqualTo("64.00");
    }

    @Test
    void gst_inside_a_price_is_an_eleventh() {
        Shops.Maker shop =
                new Shops.Maker().in("AU", "AUD").taxes("AU", "s", "10").sells("p", "110.00", "s", "");
        assertThat(amount(price(shop, order(Destination.of("AU"), Line.of("p", 1)))
                        .tax()))
                .isEqualTo("10.00");
    }

    /** Source: from memory, Revenu Québec: GST 5 % and QST 9.975 %, each on the price and not on each other. */
    @Test
    void quebec_levies_two_taxes_side_by_side() {
        Shops.Maker shop = new Shops.Maker()
                .in("CA", "CAD")
                .prices(Tax.Prices.WITHOUT_TAX)
                .taxes("CA-QC", "s", "GST 5 + QST 9.975")
                .sells("p", "100.00", "s", "");
        Quote quote =
                price(shop, order(new Destination("CA", Optional.of("CA-QC"), Optional.empty()), Line.of("p", 1)));
        assertThat(quote.taxes().get(0).components())
                .extracting(component -> amount(component.tax()))
                .containsExactly("5.00", "9.98");
        assertThat(amount(quote.payable())).isEqualTo("114.98");
    }

    /**
     * Source: Council Directive 2006/112/EC, Article 78(b): transport charged to the customer belongs to the taxable
     * amount of the goods. With goods at 23 % and at 0 % each bears its part of the delivery.
     */
    @Test
    void delivery_is_taxed_like_the_goods_it_carries() {
        Quote quote = price(
                KITES,
                order(Destination.of("IE"), Line.of("delta", 1), Line.of("book", 1))
                        .withDelivery("tube"));
        List<TaxGroup> taxes = quote.taxes();
        assertThat(taxes).extracting(group -> amount(group.amount())).containsExactly("70.80", "27.10");
        assertThat(amount(taxes.get(0).components().get(0).tax())).isEqualTo("13.24");
        assertThat(taxes.get(1).components().get(0).tax().zero()).isTrue();
        assertThat(amount(quote.payable())).isEqualTo("97.90");
    }

    /**
     * Source: Council Directive 2006/112/EC, Article 79(b) leaves price reductions out of the taxable amount: a choice
     * that lowers the price lowers the tax base by the same, so the tax is that of the reduced price (80.00 × 23 ÷
     * 123).
     */
    @Test
    void a_reduction_granted_at_the_sale_is_not_taxed() {
        Shops.Maker shop = new Shops.Maker()
                .taxes("IE", "s", "23")
                .sells(
                        "kite",
                        "100.00",
                        "s",
                        "",
                        new Product.Option(
                                "state",
                                "State",
                                List.of(new Product.Choice(
                                        "used", "Shop-worn", Optional.empty(), Optional.of(new BigDecimal("-20"))))));
        Quote quote =
                price(shop, order(Destination.of("IE"), new Line("kite", BigDecimal.ONE, Map.of("state", "used"))));
        assertThat(amount(quote.tax())).isEqualTo("14.96");
    }

    @Test
    void what_no_row_of_the_tax_book_holds_bears_no_tax() {
        Quote quote = price(KITES, order(Destination.of("US"), Line.of("plan", 1)));
        assertThat(quote.tax().zero()).isTrue();
        assertThat(quote.taxes()).singleElement().satisfies(group -> assertThat(group.levy())
                .isEmpty());
    }

    @Test
    void a_method_is_seen_only_when_its_gateway_can_take_a_payment() {
        Order order = order(Destination.of("IE"), Line.of("book", 1));
        assertThat(price(KITES, order).method("card").orElseThrow().hidden().map(English::of))
                .contains("Not shown: no keys are entered.");
        Order connected = order.withMethod("card").given(Map.of("cards", Gateway.TEST));
        Quote quote = price(KITES, connected);
        assertThat(quote.method("card").orElseThrow().hidden().map(English::of)).isEmpty();
        assertThat(English.of(quote.missing())).isEmpty();
        // 26.70 × 1.4 % = 0.3738, rounded 0.37, and 0.25
        assertThat(amount(quote.payable())).isEqualTo("26.70");
        assertThat(amount(quote.method("card").orElseThrow().fee().orElseThrow()))
                .isEqualTo("0.62");
    }

    @Test
    void an_impossible_order_is_refused_with_every_problem_at_once() {
        Order order = order(
                Destination.of("XX"),
                Line.of("nothing", 1),
                Line.of("delta", 0),
                Line.of("reel", 1),
                new Line("book", BigDecimal.ONE, Map.of("colour", "red")));
        assertThatThrownBy(() -> price(KITES, order))
                .isInstanceOfSatisfying(InvalidInput.class, refused -> assertThat(refused.problems())
                        .extracting(Problem::path)
                        .containsExactlyInAnyOrder(
                                "order/lines/0/product",
                                "order/lines/1/quantity",
                                "order/lines/2/options/line",
                                "order/lines/3/options/colour",
                                "order/to/country"));
        assertThatThrownBy(() -> price(KITES, order(Destination.of("DE", "1011"), Line.of("book", 1))))
                .extracting(English::told, as(STRING))
                .contains("not a postcode of Germany");
    }

    @Test
    void the_why_of_an_inside_tax_is_gross_times_rate_over_a_hundred_and_the_rate() {
        Quote quote = Pricing.price(
                new Shops.Maker()
                        .taxes("IE", "s", "23")
                        .sells("p", "123.00", "s", "")
                        .compiled(),
                Shops.order(Destination.of("IE"), Line.of("p", 1)));
        Figure tax = quote.taxes().get(0).components().get(0).tax();
        assertThat(tax.of())
                .extracting(Figure::value)
                .extracting(BigDecimal::toPlainString)
                .containsExactly("123.00", "23", "123");
        assertThat(tax.op()).isEqualTo(new Op.Ratio(2, 2, Rounding.HALF_UP));
        assertThat(tax.value())
                .isEqualTo("23.00")
                .isEqualTo(tax.op().apply(tax.of().stream().map(Figure::value).toList()));
    }
}
