package vestcoin.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import vestcoin.core.calendar.Window;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.message.Message;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.payment.PaymentBuilder;
import vestcoin.core.payment.PaymentConditionsBuilder;
import vestcoin.core.pickup.Hours;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Shops;
import vestcoin.core.quote.Thing;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.setup.ShopBuilder;
import vestcoin.core.tax.Buyer;
import vestcoin.core.tax.Sales;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/** Each finding: a whole shop has nothing to say, and one fault planted in it is found once and alone. */
class CheckTest {
    private static final Terms TERMS = new Terms(
            Optional.of(30),
            Optional.of(14),
            true,
            true,
            List.of("7 Example Dock Road"),
            Map.of(Terms.LEGAL_NOTICE, Map.of("en", "Test shop")),
            Map.of("en", "Order and pay"),
            true);

    private static List<String> ids(Shops.Maker shop, FindingContext known) {
        List<Finding> found = Check.of(shop.compiled(), known);
        // Zones and rows of taxes are called as somebody typed, which in these shops is what they hold.
        Setup setup = shop.compiled().setup();
        Set<String> typed = Stream.concat(
                        setup.delivery().zones().stream().map(Delivery.Zone::name),
                        setup.tax().places().stream().map(Tax.PlaceRates::name))
                .collect(Collectors.toSet());
        assertThat(found).allSatisfy(finding -> assertThat(codes(finding.sentence(), typed))
                .as("names, not codes")
                .isEmpty());
        return found.stream().map(Finding::id).toList();
    }

    /** Countries and regions that a sentence would say by their codes. */
    private static List<Object> codes(Message sentence, Set<String> typed) {
        return sentence.args().values().stream()
                .flatMap(value -> value instanceof List<?> list ? list.stream() : Stream.of((Object) value))
                .filter(value -> value instanceof String text
                        && !typed.contains(text)
                        && (Countries.isCountry(text) || Countries.isSubdivision(text)))
                .map(Object.class::cast)
                .toList();
    }

    private static List<String> ids(Shops.Maker shop) {
        return ids(shop, known(Gateway.TEST));
    }

    private static FindingContext known(Gateway gateway) {
        return new FindingContext(Shops.NOON, Map.of("cards", gateway));
    }

    private static Shops.Maker whole() {
        return bare().delivers("WORLD", "post", "to 5 kg 4.00, then +1.00/kg");
    }

    private static Shops.Maker bare() {
        return new Shops.Maker()
                .taxes("IE", "s", "23")
                .registered("IE")
                .sells("p", "10.00", "s", "1 kg")
                .terms(TERMS)
                .shop(with(shop -> "hello@test-shop.example", shop -> "", shop -> List.of()));
    }

    private static UnaryOperator<Shop> with(
            UnaryOperator<String> email,
            UnaryOperator<String> phone,
            java.util.function.Function<Shop, List<String>> numbers) {
        return s -> ShopBuilder.builder(s)
                .email(email.apply(s.email()))
                .phone(phone.apply(s.phone()))
                .numbers(numbers.apply(s))
                .build();
    }

    private static UnaryOperator<Shop> sellsTo(String... places) {
        return s -> ShopBuilder.builder(s)
                .sellsTo(java.util.Arrays.stream(places).map(Place::parse).toList())
                .build();
    }

    private static Payment.Method method(
            String id, Payment.Kind kind, Payment.Charge charge, Payment.Conditions when, Payment.Capture capture) {
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
                capture);
    }

    private static Payment.Conditions only(String... places) {
        return PaymentConditionsBuilder.builder()
                .places(java.util.Arrays.stream(places).map(Place::parse).toList())
                .build();
    }

    @Test
    void a_whole_shop_has_nothing_to_say() {
        assertThat(ids(whole())).isEmpty();
    }

    @Test
    void of_the_shop() {
        assertThat(ids(whole().shop(sellsTo()))).containsExactly("sells-nowhere");
        assertThat(ids(whole().shop(with(e -> "", e -> "", s -> List.of())))).containsExactly("no-email");
        assertThat(ids(whole().shop(with(e -> "hello@", e -> "", s -> List.of()))))
                .containsExactly("bad-email");
        assertThat(ids(whole().shop(with(e -> e, e -> "12", s -> List.of())))).containsExactly("bad-phone");
        assertThat(ids(whole().shop(with(e -> e, e -> e, s -> List.of("IE12345")))))
                .containsExactly("bad-vat-number");
        // Ofcom keeps +44 20 7946 0xxx for drama; ComReg +353 20 910 xxxx
        assertThat(ids(whole().shop(with(e -> e, e -> "+353 20 910 0123", s -> List.of("Company 998877")))))
                .isEmpty();
        assertThat(ids(whole().shop(with(e -> e, e -> e, s -> List.of("IE1234567T")))))
                .as("VAT numbers have one place")
                .containsExactly("vat-number-apart");
    }

    @Test
    void of_goods() {
        assertThat(ids(new Shops.Maker()
                        .taxes("IE", "s", "23")
                        .registered("IE")
                        .terms(TERMS)
                        .shop(with(e -> "a@b.example", e -> "", s -> List.of()))
                        .delivers("WORLD", "post", "4.00")))
                .containsExactly("no-goods");
        assertThat(ids(whole().sells(Thing.of("q", "1.00", "s").product()))).containsExactly("no-weight");
        Product.Sale sale = new Product.Sale(
                new BigDecimal("9.00"), new Window(Optional.of(LocalDate.parse("2026-11-01")), Optional.empty()));
        assertThat(ids(whole().terms(new Terms(
                                Optional.empty(),
                                Optional.of(14),
                                true,
                                true,
                                null,
                                TERMS.texts(),
                                TERMS.orderButton(),
                                false))
                        .sells(Thing.of("q", "10.00", "s")
                                .weighs("1 kg")
                                .sale(sale)
                                .product())))
                .containsExactly("reduction-without-prior-price");
        Product voucher =
                Thing.of("v", "25.00", null).kind(Product.Kind.VOUCHER).product();
        assertThat(ids(whole().shop(sellsTo("IE")).sells(voucher))).containsExactly("voucher-taxed-at-use");
        assertThat(ids(whole().sells(voucher))).as("sold to several countries").isEmpty();
        Product taxed = Thing.of("v", "25.00", "s")
                .kind(Product.Kind.VOUCHER)
                .taxedAtSale()
                .product();
        assertThat(ids(whole().shop(sellsTo("IE")).sells(taxed))).isEmpty();
        assertThat(ids(whole().sells(taxed))).containsExactly("voucher-taxed-at-sale");
        assertThat(ids(whole().shop(sellsTo("IE")).sells(taxed).prices(Tax.Prices.WITHOUT_TAX)))
                .contains("voucher-taxed-on-top");
        assertThat(ids(whole().shop(sellsTo("IE"))
                        .taxes("IE", "b", "9")
                        .sells(Thing.of("w", "25.00", "b")
                                .kind(Product.Kind.VOUCHER)
                                .taxedAtSale()
                                .product())))
                .as("its own rate is not that of what it buys")
                .contains("voucher-taxed-at-sale");
    }

    @Test
    void of_delivery() {
        assertThat(ids(whole().delivers("IE", "post", "to 5 kg 4.00"))).containsExactly("nothing-above-last-band");
        assertThat(ids(whole().delivers("IE", "post", "to 5 kg 4.00, to 9 kg 3.00, then +1/kg")))
                .containsExactly("price-drops");
        assertThat(ids(whole().delivers("IE FR", "post", "4.00").delivers("FR", "post", "5.00")))
                .as("on both")
                .containsExactly("zones-overlap", "zones-overlap");
        assertThat(ids(whole().delivers("DE:10,20", "post", "4.00").delivers("DE:10 AT", "post", "5.00")))
                .as("by postcode")
                .containsExactly("zones-overlap", "zones-overlap");
        assertThat(ids(bare().delivers("EU", "post", "4.00"))).containsExactly("place-without-zone");
        assertThat(ids(whole().delivery(d -> new Delivery(
                        List.of(
                                d.zones().get(0),
                                new Delivery.Zone("z", "Z", List.of(Place.parse("IE")), List.of(), Map.of())),
                        d.options()))))
                .containsExactly("zone-without-option");
        assertThat(ids(whole().delivers("IE", "post", "4.00, from 20 free").smallest("25.00")))
                .containsExactly("free-from-below-smallest");
        assertThat(ids(whole().delivery(d -> new Delivery(
                        d.zones(), List.of(d.options().get(0), new Delivery.Option("bike", "Bike", "", null, null))))))
                .containsExactly("option-nowhere");
        assertThat(ids(whole().delivers("IE", "bike", "3.00")
                        .limits(
                                "bike",
                                new Delivery.Limits(Optional.of(Weight.parse("w", "0.5 kg")), null, null, null, null))))
                .containsExactly("option-never");
        assertThat(ids(whole().delivers("IE", "bike", "3.00")
                        .limits(
                                "bike",
                                new Delivery.Limits(
                                        null, Optional.of(BigDecimal.TEN), Optional.of(BigDecimal.ONE), null, null))))
                .containsExactly("option-never");
    }

    private static Pickup.Spot spot(List<Hours> hours, Integer notice, int ahead, Integer slot) {
        return new Pickup.Spot(
                "dock",
                "Dock",
                List.of(),
                Destination.of("IE"),
                "",
                hours,
                Optional.ofNullable(slot),
                Optional.empty(),
                Optional.ofNullable(notice),
                ahead,
                List.of(),
                false,
                Optional.empty(),
                "");
    }

    @Test
    void of_pickup() {
        List<Hours> day = List.of(new Hours(List.of(DayOfWeek.SATURDAY), LocalTime.of(10, 0), LocalTime.of(14, 0)));
        assertThat(ids(whole().pickup(new Pickup(List.of(spot(day, null, 7, 30)), null))))
                .isEmpty();
        assertThat(ids(whole().pickup(new Pickup(List.of(spot(List.of(), null, 7, 30)), null))))
                .containsExactly("pickup-without-hours");
        assertThat(ids(whole().pickup(new Pickup(List.of(spot(day, 72, 1, 30)), null))))
                .containsExactly("notice-beyond-days");
        assertThat(ids(whole().pickup(new Pickup(List.of(spot(day, 2, 7, 300)), null))))
                .containsExactly("slot-longer-than-hours");
    }

    @Test
    void of_tax() {
        assertThat(ids(whole().taxes("FR", "r", "5.5")
                        .sells("q", "1.00", "r", "1 kg")
                        .registered("FR")
                        .taxes("FR", "s", "20")))
                .containsExactly("category-without-home-rate", "registered-without-rates");
        assertThat(ids(whole().registered("FR"))).containsExactly("registered-without-rates");
        assertThat(ids(whole().taxes("FR", "s", "20"))).containsExactly("rates-never-charged");
        assertThat(ids(new Shops.Maker()
                        .taxes("IE", "s", "23")
                        .sells("p", "10.00", "s", "1 kg")
                        .terms(TERMS)
                        .shop(with(e -> "a@b.example", e -> "", s -> List.of()))
                        .delivers("WORLD", "post", "4.00")))
                .containsExactly("rates-without-registration");
        assertThat(ids(
                        whole(),
                        new FindingContext(
                                Shops.NOON,
                                Map.of("cards", Gateway.TEST),
                                new Sales(new BigDecimal("10000.01"), BigDecimal.ZERO),
                                Set.of())))
                .containsExactly("over-threshold");
        assertThat(ids(
                        whole(),
                        new FindingContext(
                                Shops.NOON,
                                Map.of("cards", Gateway.TEST),
                                new Sales(new BigDecimal("10000.00"), BigDecimal.ZERO),
                                Set.of())))
                .isEmpty();
        assertThat(ids(whole().taxes("IE", "other", "21"))).containsExactly("rate-unlike-reference");
        assertThat(ids(whole().row(
                                "IE",
                                row -> new Tax.PlaceRates(
                                        row.id(),
                                        row.name(),
                                        row.places(),
                                        row.except(),
                                        row.rates(),
                                        row.delivery(),
                                        null,
                                        null,
                                        Optional.of(Tax.RoundedBy.LINE),
                                        null))))
                .containsExactly("rounded-by-line");
        assertThat(ids(whole().row(
                                "IE",
                                row -> new Tax.PlaceRates(
                                        row.id(),
                                        row.name(),
                                        row.places(),
                                        row.except(),
                                        Map.of("s", Tax.Rate.of("VAT", "0.23")),
                                        row.delivery()))))
                .containsExactly("rate-like-a-share");
        assertThat(ids(whole().row(
                                "IE",
                                row -> new Tax.PlaceRates(
                                        row.id(),
                                        row.name(),
                                        row.places(),
                                        row.except(),
                                        row.rates(),
                                        row.delivery(),
                                        null,
                                        null,
                                        null,
                                        Optional.of(java.time.LocalDate.of(2026, 11, 25))))))
                .containsExactly("rates-to-confirm");
        assertThat(ids(whole().smallBusiness("Exempt as a small business."))).isEmpty();
    }

    @Test
    void of_payment() {
        assertThat(ids(whole(), known(Gateway.KEYS_ENTERED))).containsExactly("no-way-to-pay", "method-not-seen");
        assertThat(ids(
                        whole(),
                        new FindingContext(Shops.NOON, Map.of("cards", Gateway.TEST), Sales.NONE, Set.of("cards"))))
                .containsExactly("gateway-untried");
        assertThat(ids(whole().pays(method(
                        "dear",
                        Payment.Kind.WALLET,
                        null,
                        PaymentConditionsBuilder.builder()
                                .least(Optional.of(BigDecimal.TEN))
                                .most(Optional.of(BigDecimal.ONE))
                                .build(),
                        null))))
                .containsExactly("method-nobody-sees");
        assertThat(ids(whole().shop(sellsTo("IE")).pays(method("far", Payment.Kind.WALLET, null, only("US"), null))))
                .containsExactly("method-nobody-sees", "hidden-in-the-union");
        assertThat(ids(whole().pays(method("irish", Payment.Kind.WALLET, null, only("IE"), null))))
                .containsExactly("hidden-in-the-union");
        assertThat(ids(whole().pays(method("door", Payment.Kind.CASH_AT_PICKUP, null, null, null))))
                .containsExactly("cash-without-handover");
        assertThat(ids(whole().pays(method(
                        "fee", Payment.Kind.CARD, new Payment.Charge(new BigDecimal("1"), null), null, null))))
                .containsExactly("charge-on-consumers");
        assertThat(ids(whole().pays(method(
                        "fee",
                        Payment.Kind.CARD,
                        new Payment.Charge(new BigDecimal("1"), null),
                        PaymentConditionsBuilder.builder()
                                .buyers(Optional.of(Buyer.Kind.BUSINESS))
                                .build(),
                        null))))
                .isEmpty();
        assertThat(ids(whole().payment(p -> PaymentBuilder.builder()
                        .methods(List.of(method("card", Payment.Kind.CARD, null, only("IE"), null)))
                        .build())))
                .containsExactly("place-without-payment", "hidden-in-the-union");
    }

    @Test
    void of_accounts() {
        UnaryOperator<Payment> smallest = p -> PaymentBuilder.builder()
                .methods(p.methods())
                .accounts(List.of(new Payment.Account("cards", Optional.of(new BigDecimal("0.50")), null)))
                .build();
        assertThat(ids(whole().payment(smallest))).containsExactly("gateway-above-smallest-order");
        assertThat(ids(whole().payment(smallest).smallest("5.00"))).isEmpty();
        UnaryOperator<Payment> late = p -> PaymentBuilder.builder()
                .methods(List.of(method("card", Payment.Kind.CARD, null, null, Payment.Capture.AT_DISPATCH)))
                .accounts(List.of(new Payment.Account("cards", null, Optional.of(7))))
                .build();
        assertThat(ids(whole().payment(late)
                        .sells(Thing.of("slow", "1.00", "s")
                                .weighs("1 kg")
                                .prepared(6)
                                .product())))
                .containsExactly("capture-after-authorisation");
        assertThat(ids(whole().payment(late)
                        .sells(Thing.of("slow", "1.00", "s")
                                .weighs("1 kg")
                                .prepared(5)
                                .product())))
                .isEmpty();
        Payment.Method transfer = method("bank", Payment.Kind.TRANSFER, null, null, null);
        assertThat(ids(whole().pays(transfer))).containsExactly("no-account");
        // ISO 13616: the example of the IBAN registry for Ireland, and the same with one digit changed
        assertThat(ids(whole().pays(transfer).payment(p -> PaymentBuilder.builder()
                        .methods(p.methods())
                        .account(Optional.of(new Payment.BankAccount(
                                "IE29 AIBK 9311 5212 3456 78", "Test shop Ltd", "TEST SHOP LTD")))
                        .build())))
                .isEmpty();
        assertThat(ids(whole().pays(transfer).payment(p -> PaymentBuilder.builder()
                        .methods(p.methods())
                        .account(Optional.of(new Payment.BankAccount("IE29 AIBK 9311 5212 3456 79", "Test", "")))
                        .build())))
                .containsExactly("bad-iban");
        assertThat(ids(whole().pays(transfer).payment(p -> PaymentBuilder.builder()
                        .methods(p.methods())
                        .account(Optional.of(
                                new Payment.BankAccount("IE29AIBK93115212345678", "A. Person", "Test shop")))
                        .build())))
                .containsExactly("payee-unlike-holder");
    }

    @Test
    void of_what_can_be_typed_and_has_no_effect_yet() {
        assertThat(ids(whole().sells(Thing.of("own", "1.00", "s")
                        .weighs("1 kg")
                        .own("3.00", "1.00")
                        .product())))
                .containsExactly("own-delivery-without-effect");
        assertThat(ids(whole().delivers("IE", "tube", "by product")
                        .sells(Thing.of("own", "1.00", "s")
                                .weighs("1 kg")
                                .own("3.00", "1.00")
                                .product())))
                .doesNotContain("own-delivery-without-effect");
        assertThat(ids(whole().delivers("IE", "tube", "by product")
                        .delivers("FR", "tube", "9.00")
                        .sells(Thing.of("own", "1.00", "s")
                                .weighs("1 kg")
                                .own("3.00", "1.00")
                                .product())))
                .as("in one zone no cell is by product")
                .contains("own-delivery-does-not-hold");
        assertThat(ids(whole().delivers("IE", "tube", "by product")))
                .as("nothing else is offered there, and what is sold has no price of its own")
                .contains("no-delivery-price-of-its-own");
        assertThat(ids(whole().sells(Thing.of("club", "1.00", "s")
                        .weighs("1 kg")
                        .renews(1, vestcoin.core.goods.Renewal.Unit.MONTHS, null)
                        .product())))
                .as("a card is offered, which can be charged again")
                .isEmpty();
        assertThat(ids(whole().buyers("trade", "10"))).isEmpty();
        assertThat(ids(whole().sells(Thing.of("set", "5.00", null)
                        .holds(vestcoin.core.goods.Line.of("p", 2))
                        .product())))
                .containsExactly("bundle-price-without-effect");
        assertThat(ids(whole().sells(Thing.of("set", "0.00", null)
                        .holds(vestcoin.core.goods.Line.of("p", 2))
                        .product())))
                .isEmpty();
        assertThat(ids(whole().sells(Thing.of("cola", "1.00", "s")
                        .weighs("1 kg")
                        .perUnit("deposit", "0.25", null, false)
                        .product())))
                .containsExactly("per-unit-tax-unsaid");
    }

    /** EPC069-12: at most 70 characters, and 331 bytes in all. */
    @Test
    void of_a_payee_too_long_for_the_code_of_a_transfer() {
        Payment.Method transfer = method("bank", Payment.Kind.TRANSFER, null, null, null);
        java.util.function.Function<String, List<String>> named =
                name -> ids(whole().pays(transfer).payment(p -> PaymentBuilder.builder()
                        .methods(p.methods())
                        .account(Optional.of(new Payment.BankAccount("IE29AIBK93115212345678", name, "")))
                        .build()));
        assertThat(named.apply("A".repeat(70))).isEmpty();
        assertThat(named.apply("A".repeat(71))).containsExactly("payee-too-long");
        assertThat(named.apply("𐌰".repeat(35))).as("35 signs of four bytes").isEmpty();
        assertThat(named.apply("凧".repeat(70)))
                .as("70 characters of three bytes")
                .isEmpty();
    }

    @Test
    void of_a_notice_that_hours_and_slots_leave_no_room_for() {
        // today is day 0, so one day ahead: ordered at midnight, the last slot of an hour begins at 16:00 on day 1, 40
        // hours later
        assertThat(ids(noticed(40))).isEmpty();
        assertThat(ids(noticed(41))).containsExactly("notice-beyond-days");
    }

    private static Shops.Maker noticed(int hours) {
        Hours open = new Hours(List.of(), LocalTime.of(10, 0), LocalTime.of(17, 0));
        return whole().pickup(new Pickup(
                List.of(new Pickup.Spot(
                        "dock",
                        "Dock",
                        List.of(),
                        Destination.of("IE"),
                        "",
                        List.of(open),
                        Optional.of(60),
                        null,
                        Optional.of(hours),
                        1,
                        null,
                        false,
                        null,
                        "")),
                null));
    }

    @Test
    void of_terms() {
        assertThat(ids(whole().terms(Terms.NONE)))
                .containsExactly(
                        "withdrawal-too-short",
                        "no-online-withdrawal",
                        "delivery-not-refunded",
                        "no-legal-notice",
                        "button-without-cost");
        assertThat(ids(whole().terms(new Terms(
                        Optional.of(30),
                        Optional.of(13),
                        true,
                        true,
                        List.of("A"),
                        TERMS.texts(),
                        TERMS.orderButton(),
                        true))))
                .containsExactly("withdrawal-too-short");
        assertThat(ids(whole().terms(new Terms(
                        Optional.of(30),
                        Optional.of(14),
                        true,
                        true,
                        List.of(),
                        TERMS.texts(),
                        TERMS.orderButton(),
                        true))))
                .containsExactly("no-return-address");
        assertThat(ids(whole().terms(new Terms(
                        Optional.of(30),
                        Optional.of(14),
                        true,
                        true,
                        List.of("A"),
                        TERMS.texts(),
                        Map.of("en", "Confirm"),
                        true))))
                .containsExactly("button-without-cost");
        Map<String, Map<String, String>> texts =
                Map.of(Terms.LEGAL_NOTICE, Map.of("en", "X"), "returns", Map.of("en", "Send it back within 14 days."));
        assertThat(ids(whole().terms(new Terms(
                        Optional.of(30), Optional.of(14), true, true, List.of("A"), texts, TERMS.orderButton(), true))))
                .containsExactly("text-contradicts-setting");
        Map<String, Map<String, String>> german = Map.of(Terms.LEGAL_NOTICE, Map.of("de", "X"));
        assertThat(ids(whole().terms(new Terms(
                        Optional.of(30),
                        Optional.of(14),
                        true,
                        true,
                        List.of("A"),
                        german,
                        TERMS.orderButton(),
                        true))))
                .containsExactly("language-lacking");
        assertThat(ids(whole().in("CH", "CHF")
                        .taxes("CH", "s", "8.1")
                        .registered("CH")
                        .terms(Terms.NONE)
                        .payment(p -> p)))
                .as("outside of the Union")
                .doesNotContain("no-legal-notice");
    }
}
