package vestcoin.core.quote;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import vestcoin.core.basket.Basket;
import vestcoin.core.calendar.WorkSchedule;
import vestcoin.core.delivery.ChargeableWeight;
import vestcoin.core.delivery.Charges;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateText;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.AcceptedCurrency;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Ending;
import vestcoin.core.money.Rounding;
import vestcoin.core.parcel.ParcelType;
import vestcoin.core.payment.Payment;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.place.Point;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.setup.ShopBuilder;
import vestcoin.core.tax.RateCell;
import vestcoin.core.tax.Tax;
import vestcoin.core.terms.Terms;

/** Small shops for tests, made by hand or by chance. */
public final class Shops {
    public static final Instant NOON = Instant.parse("2026-11-25T12:00:00Z");

    private Shops() {}

    /** A builder over plain texts, in the words a seller would type. */
    public static final class Maker {
        private String currency = "EUR";
        private String country = "IE";
        private Tax.Prices prices = Tax.Prices.WITH_TAX;
        private Rounding rounding = Rounding.HALF_UP;
        private final List<Product> products = new ArrayList<>();
        private final List<Goods.BuyerGroup> buyerGroups = new ArrayList<>();
        private final List<Discounts.Rule> discounts = new ArrayList<>();
        private final Map<String, Map<String, PriceRule>> rates = new LinkedHashMap<>();
        private final Map<String, Map<String, PriceRule.Basis>> costs = new LinkedHashMap<>();
        private final List<String> options = new ArrayList<>();
        private final Map<String, Delivery.Limits> limits = new LinkedHashMap<>();
        private final Map<String, Map<String, Tax.Rate>> book = new LinkedHashMap<>();
        private final Map<String, Tax.DeliveryTax> deliveryTax = new LinkedHashMap<>();
        private final List<String> categories = new ArrayList<>();
        private final List<Tax.Registration> registrations = new ArrayList<>();
        private final List<Payment.Method> methods = new ArrayList<>();
        private final List<Goods.ProductGroup> groups = new ArrayList<>();
        private final Map<String, UnaryOperator<Delivery.Option>> optionChanges = new LinkedHashMap<>();
        private final Map<String, UnaryOperator<Tax.PlaceRates>> rowChanges = new LinkedHashMap<>();
        private UnaryOperator<Setup> change = setup -> setup;
        private Tax.CrossBorderPricing standing;
        private Tax.Sourcing sourcing;
        private String smallBusiness;
        private boolean netForBusinesses;

        public Maker in(String country, String currency) {
            this.country = country;
            this.currency = currency;
            return this;
        }

        public Maker prices(Tax.Prices prices) {
            this.prices = prices;
            return this;
        }

        public Maker rounding(Rounding rounding) {
            this.rounding = rounding;
            return this;
        }

        public Maker sells(String id, String price, String category, String weight, Product.Option... choices) {
            products.add(Product.of(
                    id,
                    id,
                    weight.isEmpty() ? Product.Kind.DIGITAL : Product.Kind.PHYSICAL,
                    new BigDecimal(price),
                    category,
                    weight.isEmpty() ? Optional.empty() : Optional.of(Weight.parse("weight", weight)),
                    List.of(choices)));
            return this;
        }

        /** One cell of the rate sheet; the zone is its places, separated by spaces. */
        public Maker delivers(String places, String option, String rule) {
            if (!options.contains(option)) {
                options.add(option);
            }
            rates.computeIfAbsent(places, k -> new LinkedHashMap<>())
                    .put(
                            option,
                            RateText.parse("rate", rule, Currencies.of(currency).orElseThrow())
                                    .orElseThrow());
            return this;
        }

        /** What a carrier asks of the shop, written as a rate. */
        public Maker costs(String places, String option, String rule) {
            PriceRule.Basis basis = RateText.parse(
                            "cost", rule, Currencies.of(currency).orElseThrow())
                    .orElseThrow()
                    .basis();
            costs.computeIfAbsent(places, k -> new LinkedHashMap<>()).put(option, basis);
            return this;
        }

        /** One cell of the tax book. */
        public Maker taxes(String places, String category, String rate) {
            if (!categories.contains(category)) {
                categories.add(category);
            }
            book.computeIfAbsent(places, k -> new LinkedHashMap<>())
                    .put(category, RateCell.parse("tax", rate, "VAT").orElseThrow());
            return this;
        }

        /** A product with an unusual price; the tax category has to be there. */
        public Maker sells(Product product) {
            products.add(product);
            return this;
        }

        public Maker taxesDelivery(String places, Tax.Way way, String category) {
            deliveryTax.put(places, new Tax.DeliveryTax(way, Optional.ofNullable(category)));
            return this;
        }

        public Maker limits(String option, Delivery.Limits limit) {
            limits.put(option, limit);
            return this;
        }

        public Maker buyers(String id, String percentOff) {
            buyerGroups.add(
                    new Goods.BuyerGroup(id, id, Optional.ofNullable(percentOff).map(BigDecimal::new), null, false));
            return this;
        }

        public Maker discounts(Discounts.Rule rule) {
            discounts.add(rule);
            return this;
        }

        public Maker registered(String authority) {
            registrations.add(
                    new Tax.Registration("r" + registrations.size(), authority, "", Tax.Scheme.ORDINARY, null, null));
            return this;
        }

        public Maker registered(Tax.Registration registration) {
            registrations.add(registration);
            return this;
        }

        public Maker oneStopShop() {
            registrations.add(new Tax.Registration("oss", "EU", "", Tax.Scheme.ONE_STOP_SHOP, null, null));
            return this;
        }

        public Maker standing(Tax.CrossBorderPricing what) {
            standing = what;
            return this;
        }

        public Maker sourcing(Tax.Sourcing by) {
            sourcing = by;
            return this;
        }

        /** Confirmed businesses read prices without the tax in them. */
        public Maker netForBusinesses() {
            netForBusinesses = true;
            return this;
        }

        public Maker smallBusiness(String sentence) {
            smallBusiness = sentence;
            return this;
        }

        public Maker group(Goods.ProductGroup group) {
            groups.add(group);
            return this;
        }

        public Maker pays(Payment.Method method) {
            methods.add(method);
            return this;
        }

        /** Changes an option of the rate sheet. */
        public Maker option(String id, UnaryOperator<Delivery.Option> how) {
            optionChanges.merge(id, how, (one, other) -> option -> other.apply(one.apply(option)));
            return this;
        }

        public Maker charges(String id, Charges charges) {
            return option(
                    id,
                    o -> new Delivery.Option(
                            o.id(),
                            o.name(),
                            o.sentence(),
                            o.days(),
                            o.limits(),
                            Optional.of(charges),
                            o.chargeable()));
        }

        public Maker chargeable(String id, ChargeableWeight how) {
            return option(
                    id,
                    o -> new Delivery.Option(
                            o.id(), o.name(), o.sentence(), o.days(), o.limits(), o.charges(), Optional.of(how)));
        }

        public Maker days(String id, int from, int to) {
            return option(
                    id,
                    o -> new Delivery.Option(
                            o.id(),
                            o.name(),
                            o.sentence(),
                            Optional.of(new Delivery.Days(from, to)),
                            o.limits(),
                            o.charges(),
                            o.chargeable()));
        }

        /** Changes a row of the tax book, by its places. */
        public Maker row(String places, UnaryOperator<Tax.PlaceRates> how) {
            rowChanges.put(places, how);
            return this;
        }

        /** Changes the setup when it is made. */
        public Maker change(UnaryOperator<Setup> how) {
            UnaryOperator<Setup> before = change;
            change = setup -> how.apply(before.apply(setup));
            return this;
        }

        public Maker shop(UnaryOperator<Shop> how) {
            return change(s -> new Setup(
                    how.apply(s.shop()),
                    s.goods(),
                    s.discounts(),
                    s.delivery(),
                    s.tax(),
                    s.payment(),
                    s.rehearsal(),
                    s.pickup(),
                    s.terms()));
        }

        public Maker delivery(UnaryOperator<Delivery> how) {
            return change(s -> new Setup(
                    s.shop(),
                    s.goods(),
                    s.discounts(),
                    how.apply(s.delivery()),
                    s.tax(),
                    s.payment(),
                    s.rehearsal(),
                    s.pickup(),
                    s.terms()));
        }

        public Maker payment(UnaryOperator<Payment> how) {
            return change(s -> new Setup(
                    s.shop(),
                    s.goods(),
                    s.discounts(),
                    s.delivery(),
                    s.tax(),
                    how.apply(s.payment()),
                    s.rehearsal(),
                    s.pickup(),
                    s.terms()));
        }

        public Maker pickup(Pickup pickup) {
            return change(s -> new Setup(
                    s.shop(),
                    s.goods(),
                    s.discounts(),
                    s.delivery(),
                    s.tax(),
                    s.payment(),
                    s.rehearsal(),
                    pickup,
                    s.terms()));
        }

        public Maker terms(Terms terms) {
            return change(s -> new Setup(
                    s.shop(),
                    s.goods(),
                    s.discounts(),
                    s.delivery(),
                    s.tax(),
                    s.payment(),
                    s.rehearsal(),
                    s.pickup(),
                    terms));
        }

        public Maker parcels(ParcelType... types) {
            return delivery(
                    d -> new Delivery(d.zones(), d.options(), List.of(types), d.handling(), d.dispatch(), d.byHand()));
        }

        public Maker handling(Delivery.Handling... of) {
            return delivery(
                    d -> new Delivery(d.zones(), d.options(), d.parcels(), List.of(of), d.dispatch(), d.byHand()));
        }

        public Maker dispatch(Delivery.Dispatch... places) {
            return delivery(
                    d -> new Delivery(d.zones(), d.options(), d.parcels(), d.handling(), List.of(places), d.byHand()));
        }

        /** Takes another currency. */
        public Maker takes(String code, String percent, Ending ending) {
            return shop(s -> ShopBuilder.builder(s)
                    .currencies(List.of(new AcceptedCurrency(
                            code, Optional.ofNullable(percent).map(BigDecimal::new), Optional.ofNullable(ending))))
                    .build());
        }

        public Maker works(WorkSchedule working) {
            return shop(s -> ShopBuilder.builder(s).working(working).build());
        }

        public Maker stands(Point point) {
            return shop(s -> ShopBuilder.builder(s).point(Optional.of(point)).build());
        }

        public Maker smallest(String least) {
            return shop(s -> ShopBuilder.builder(s)
                    .smallest(Optional.of(new BigDecimal(least)))
                    .build());
        }

        public Setup setup() {
            List<Delivery.Zone> zones = rates.entrySet().stream()
                    .map(zone -> new Delivery.Zone(
                            id(zone.getKey()),
                            zone.getKey(),
                            places(zone.getKey()),
                            List.of(),
                            zone.getValue(),
                            Map.of(),
                            costs.getOrDefault(zone.getKey(), Map.of())))
                    .toList();
            List<Tax.PlaceRates> rows = book.entrySet().stream()
                    .map(row -> rowChanges
                            .getOrDefault(row.getKey(), same -> same)
                            .apply(new Tax.PlaceRates(
                                    id(row.getKey()),
                                    row.getKey(),
                                    places(row.getKey()),
                                    List.of(),
                                    row.getValue(),
                                    Optional.ofNullable(deliveryTax.get(row.getKey())))))
                    .toList();
            Shop shop = new Shop(
                    "Test shop",
                    "",
                    new Shop.Address(List.of(), "", Optional.empty(), "", country),
                    "",
                    "",
                    currency,
                    "en",
                    "Europe/Dublin",
                    "kg",
                    rounding,
                    List.of(new Place.Group("WORLD")));
            List<Delivery.Option> made = options.stream()
                    .map(option -> optionChanges
                            .getOrDefault(option, same -> same)
                            .apply(new Delivery.Option(
                                    option, option, "", Optional.empty(), Optional.ofNullable(limits.get(option)))))
                    .toList();
            return change.apply(new Setup(
                    shop,
                    new Goods(products, buyerGroups, groups, Optional.empty(), Optional.empty()),
                    new Discounts(discounts),
                    new Delivery(zones, made),
                    new Tax(
                            prices,
                            categories.stream()
                                    .map(category -> new Tax.Category(category, category))
                                    .toList(),
                            rows,
                            registrations,
                            standing,
                            sourcing,
                            Optional.ofNullable(smallBusiness),
                            netForBusinesses,
                            List.of()),
                    new Payment(
                            Stream.concat(Stream.of(card()), methods.stream()).toList()),
                    null));
        }

        private Payment.Method card() {
            BigDecimal fixed = new BigDecimal("0.25")
                    .movePointRight(
                            Currencies.of(currency)
                                            .map(CurrencyUnit::getDecimalPlaces)
                                            .filter(digits -> digits == 0)
                                            .isPresent()
                                    ? 2
                                    : 0);
            return new Payment.Method(
                    "card",
                    Payment.Kind.CARD,
                    true,
                    "Card",
                    "",
                    "cards",
                    Optional.of(new Payment.Fee(new BigDecimal("1.4"), fixed)));
        }

        public CompiledSetup compiled() {
            return CompiledSetup.of(setup());
        }

        private static String id(String places) {
            return places.toLowerCase().replaceAll("[^a-z0-9]+", "-");
        }

        private static List<Place> places(String places) {
            return java.util.Arrays.stream(places.split(" ")).map(Place::parse).toList();
        }
    }

    public static Order order(Destination to, Line... lines) {
        return Order.of(NOON, Basket.of(List.of(lines), to), Map.of());
    }

    /** A shop by chance: either tax mode, any rounding, one to four categories, options with amounts and percents. */
    public static Setup random(Random random) {
        Maker maker = new Maker()
                .prices(random.nextBoolean() ? Tax.Prices.WITH_TAX : Tax.Prices.WITHOUT_TAX)
                .rounding(Rounding.values()[random.nextInt(3)]);
        int categories = 1 + random.nextInt(4);
        if (random.nextInt(3) == 0) {
            maker.taxesDelivery("IE", Tax.Way.values()[random.nextInt(4)], "c0");
        }
        for (int c = 0; c < categories; c++) {
            maker.taxes(
                    "IE",
                    "c" + c,
                    random.nextInt(5) == 0
                            ? (random.nextBoolean() ? "GST 5 + QST 9.975" : "GST 5 + Levy on top 7.5")
                            : BigDecimal.valueOf(random.nextInt(2600), 2)
                                    .add(new BigDecimal("0.3"))
                                    .toPlainString());
            if (random.nextInt(4) > 0) {
                maker.taxes(
                        "EU",
                        "c" + c,
                        String.valueOf(random.nextInt(27) + (c == 0 ? 1 : 0)).replaceFirst("^0$", "0"));
            }
        }
        for (int p = 0; p < 8; p++) {
            Product.Option[] options = random.nextInt(3) > 0
                    ? new Product.Option[0]
                    : new Product.Option[] {
                        new Product.Option(
                                "size",
                                "Size",
                                List.of(
                                        new Product.Choice(
                                                "s",
                                                "Small",
                                                Optional.of(BigDecimal.valueOf(random.nextInt(400) - 200, 2)),
                                                Optional.empty()),
                                        new Product.Choice(
                                                "l",
                                                "Large",
                                                Optional.empty(),
                                                Optional.of(BigDecimal.valueOf(random.nextInt(5000) - 1500, 2)))))
                    };
            maker.sells(
                    "p" + p,
                    BigDecimal.valueOf(random.nextInt(20_000), 2).toPlainString(),
                    "c" + random.nextInt(categories),
                    random.nextInt(5) == 0
                            ? ""
                            : BigDecimal.valueOf(random.nextInt(9000), 3).toPlainString()
                                    + (random.nextBoolean() ? " kg" : " lb"),
                    options);
        }
        for (int d = random.nextInt(4); d > 0; d--) {
            boolean percent = random.nextBoolean();
            maker.discounts(new Discounts.Rule(
                    "d" + d,
                    "d" + d,
                    Optional.empty(),
                    random.nextInt(3) == 0 ? Discounts.Off.DELIVERY : Discounts.Off.GOODS,
                    percent ? Optional.of(BigDecimal.valueOf(random.nextInt(10_000), 2)) : Optional.empty(),
                    percent ? Optional.empty() : Optional.of(BigDecimal.valueOf(random.nextInt(9000), 2)),
                    random.nextInt(3) > 0,
                    null));
        }
        maker.delivers("IE", "post", "to 1 kg 4.90, to 5 kg 7.90, then +0.80/kg, from 180 free");
        maker.delivers("IE", "van", "to 5 lb 6.10, to 20 lb 12.35, then +1.15/2 lb");
        maker.delivers("EU", "post", "to 3 items 9.95, then +3.33/2 items");
        maker.delivers(
                "EU",
                "van",
                List.of("2.00 + 1.37/lb", "2.00 + 0.35/item", "3.33 + 2.5 %", "1.10 + 0.99/kg")
                        .get(random.nextInt(4)));
        maker.delivers("WORLD", "post", "to 50 EUR 25.00, to 5000 EUR 15.05");
        return maker.setup();
    }

    /** An order by chance that such a shop can price. */
    public static Order randomOrder(Setup setup, Random random) {
        List<Line> lines = IntStream.rangeClosed(0, random.nextInt(6))
                .mapToObj(i -> {
                    Product product = setup.goods()
                            .products()
                            .get(random.nextInt(setup.goods().products().size()));
                    Map<String, String> options =
                            product.options().isEmpty() ? Map.of() : Map.of("size", random.nextBoolean() ? "s" : "l");
                    return new Line(product.id(), BigDecimal.valueOf(1 + random.nextInt(7)), options);
                })
                .toList();
        String country = List.of("IE", "DE", "FR", "US", "CH").get(random.nextInt(5));
        return order(Destination.of(country), lines.toArray(Line[]::new));
    }
}
