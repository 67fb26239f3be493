package vestcoin.bench;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.delivery.RateText;
import vestcoin.core.discount.Discounts;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Currencies;
import vestcoin.core.money.Rounding;
import vestcoin.core.payment.Gateway;
import vestcoin.core.payment.Payment;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Place;
import vestcoin.core.quote.Order;
import vestcoin.core.sample.PlausibleOrders;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.SetupBuilder;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBuilder;

/**
 * The shop and the order that are timed: 5 lines, 12 delivery options, 8 methods of payment. At 100 times its size the
 * shop has 400 zones over 50,000 postcodes, 5,000 products and 2,500 rows of tax.
 */
public final class OrdinaryShop {
    static final int OPTIONS = 12;
    static final int METHODS = 8;
    private static final int ZONES = 4;
    private static final int POSTCODES_A_ZONE = 125;
    private static final int PRODUCTS = 50;
    private static final int TAX_ROWS = 25;
    private static final Instant NOON = Instant.parse("2026-11-25T12:00:00Z");
    private static final Map<String, Gateway> GATEWAYS = Map.of("cards", Gateway.LIVE);

    private OrdinaryShop() {}

    public static Setup of(int times) {
        Shop shop = new Shop(
                "Ordinary shop",
                "",
                new Shop.Address(List.of(), "", Optional.empty(), "", "DE"),
                "",
                "",
                "EUR",
                "en",
                "Europe/Berlin",
                "kg",
                Rounding.HALF_UP,
                List.of(new Place.Group("WORLD")));
        return SetupBuilder.builder()
                .shop(shop)
                .goods(goods(times))
                .discounts(discounts(times))
                .delivery(delivery(times))
                .tax(tax(times))
                .payment(payment())
                .build();
    }

    /** Five lines to a postcode of the first zone. */
    public static Order order() {
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            lines.add(new Line("p" + i, BigDecimal.valueOf(1 + i % 3), i == 1 ? Map.of("size", "large") : Map.of()));
        }
        return Order.of(NOON, Basket.of(lines, Destination.of("DE", "00060")), GATEWAYS)
                .withDelivery("o3")
                .withMethod("m0");
    }

    /** Ten baskets as such a shop sells them. */
    public static List<Order> baskets() {
        return new PlausibleOrders(CompiledSetup.of(of(1)), 10, NOON, Duration.ofDays(30)).take(10);
    }

    /** The first 250 countries and territories by their codes. */
    public static List<Destination> places() {
        return Countries.all().stream()
                .sorted(Comparator.naturalOrder())
                .limit(250)
                .map(Destination::of)
                .toList();
    }

    static String postcode(int number) {
        return String.format("%05d", number);
    }

    private static Goods goods(int times) {
        List<Product> products = new ArrayList<>();
        for (int i = 0; i < PRODUCTS * times; i++) {
            List<Product.Option> options = i != 1
                    ? List.of()
                    : List.of(new Product.Option(
                            "size",
                            "Size",
                            List.of(
                                    new Product.Choice("small", "Small", Optional.empty(), Optional.empty()),
                                    new Product.Choice(
                                            "large", "Large", Optional.of(new BigDecimal("6.50")), Optional.empty()))));
            products.add(Product.of(
                    "p" + i,
                    "Product " + i,
                    Product.Kind.PHYSICAL,
                    BigDecimal.valueOf(1_295 + 37L * (i % 400), 2),
                    i % 2 == 0 ? "full" : "reduced",
                    Optional.of(Weight.parse("weight", "0." + (3 + i % 5) + " kg")),
                    options));
        }
        return new Goods(products);
    }

    private static Discounts discounts(int times) {
        List<Discounts.Rule> rules = new ArrayList<>();
        rules.add(rule("autumn", null, "5", "50.00"));
        for (int i = 0; i < 3 * times; i++) {
            rules.add(rule("code" + i, "CODE" + i, "10", "20.00"));
        }
        return new Discounts(rules);
    }

    private static Discounts.Rule rule(String id, String code, String percent, String least) {
        return new Discounts.Rule(
                id,
                id,
                Optional.ofNullable(code),
                Discounts.Off.GOODS,
                Optional.of(new BigDecimal(percent)),
                Optional.empty(),
                true,
                new Discounts.Conditions(
                        Optional.of(new BigDecimal(least)), null, null, null, null, false, null, null, null));
    }

    private static Delivery delivery(int times) {
        List<Delivery.Option> options = new ArrayList<>();
        for (int o = 0; o < OPTIONS; o++) {
            options.add(new Delivery.Option(
                    "o" + o,
                    "Option " + o,
                    "",
                    Optional.of(new Delivery.Days(1 + o % 4, 2 + o % 4)),
                    Optional.empty()));
        }
        List<Delivery.Zone> zones = new ArrayList<>();
        for (int z = 0; z < ZONES * times; z++) {
            List<String> codes = new ArrayList<>();
            for (int code = 0; code < POSTCODES_A_ZONE; code++) {
                codes.add(postcode(z * POSTCODES_A_ZONE + code));
            }
            zones.add(new Delivery.Zone(
                    "z" + z, "Zone " + z, List.of(Place.parse("DE:" + String.join(",", codes))), List.of(), rates(z)));
        }
        zones.add(new Delivery.Zone("world", "World", List.of(new Place.Group("WORLD")), List.of(), rates(7)));
        return new Delivery(zones, options);
    }

    private static Map<String, PriceRule> rates(int zone) {
        Map<String, PriceRule> rates = new LinkedHashMap<>();
        for (int o = 0; o < OPTIONS; o++) {
            int base = 390 + 10 * (zone % 9) + 45 * o;
            rates.put(
                    "o" + o,
                    RateText.parse(
                                    "rate",
                                    "to 1 kg " + cents(base) + ", to 5 kg " + cents(base + 210) + ", to 20 kg "
                                            + cents(base + 700) + ", then +0.80/kg" + (o == 0 ? ", from 900 free" : ""),
                                    Currencies.of("EUR").orElseThrow())
                            .orElseThrow());
        }
        return rates;
    }

    private static String cents(int amount) {
        return BigDecimal.valueOf(amount, 2).toPlainString();
    }

    private static Tax tax(int times) {
        List<Tax.PlaceRates> rows = new ArrayList<>();
        rows.add(row("de", Place.parse("DE"), "19", "7"));
        rows.add(row("world", new Place.Group("WORLD"), "20", "5"));
        for (int i = 0; i < TAX_ROWS * times; i++) {
            rows.add(row("us" + i, Place.parse("US:" + postcode(10_000 + i)), "7.25", "2"));
        }
        return TaxBuilder.builder()
                .prices(Tax.Prices.WITH_TAX)
                .categories(List.of(new Tax.Category("full", "Full"), new Tax.Category("reduced", "Reduced")))
                .places(rows)
                .registrations(List.of())
                .build();
    }

    private static Tax.PlaceRates row(String id, Place place, String full, String reduced) {
        return new Tax.PlaceRates(
                id,
                id,
                List.of(place),
                List.of(),
                Map.of("full", Tax.Rate.of("VAT", full), "reduced", Tax.Rate.of("VAT", reduced)),
                Optional.empty());
    }

    private static Payment payment() {
        List<Payment.Method> methods = new ArrayList<>();
        for (int m = 0; m < METHODS; m++) {
            methods.add(new Payment.Method(
                    "m" + m,
                    Payment.Kind.CARD,
                    true,
                    "Method " + m,
                    "",
                    "cards",
                    Optional.of(new Payment.Fee(
                            new BigDecimal("1.4").add(BigDecimal.valueOf(m, 1)), new BigDecimal("0.25")))));
        }
        return new Payment(methods);
    }
}
