package vestcoin.app.setup;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.app.format.Phrases;
import vestcoin.app.setup.FirstAnswers.Reach;
import vestcoin.app.setup.FirstAnswers.Sells;
import vestcoin.app.setup.FirstAnswers.SendingPrice;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Currencies;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.setup.Shop;

/**
 * What is laid on the sheets of a new shop, so that there is something to change rather than nothing: goods, rates and
 * places to collect, in the shop's language and money, with plainly round figures. What a seller has changed since is
 * known from what is as it was laid.
 */
final class FirstSheets {
    static final String STANDARD = "standard";
    /** Used until one of the carrier's services is picked. */
    private static final String ANY_SERVICE = "parcel";

    private final Shop shop;
    private final Phrases said;
    private final int decimals;

    /** Sheets for a shop of this country, money, language and unit. */
    FirstSheets(Shop shop) {
        this.shop = shop;
        this.said = Phrases.in(shop.language());
        this.decimals = Currencies.of(shop.currency())
                .map(unit -> unit.getDecimalPlaces())
                .orElse(2);
    }

    /** The names of sample goods in every language, by which they are known while nobody has looked at them. */
    static Set<String> sampleNames() {
        return Phrases.FOR_BUYERS.stream()
                .map(tag -> Phrases.in(tag))
                .flatMap(said -> Arrays.stream(Sells.values()).map(kind -> name(said, kind)))
                .collect(Collectors.toSet());
    }

    private static String name(Phrases said, Sells kind) {
        return said.say(
                switch (kind) {
                    case THINGS -> "setup.first-thing";
                    case DOWNLOADS -> "setup.first-download";
                    case SERVICES -> "setup.first-service";
                });
    }

    String nameOfOne(Product product) {
        return said.say("setup.one-of", "product", product.name());
    }

    List<Product> products(List<Sells> sells) {
        return sells.stream().map(this::product).toList();
    }

    private Product product(Sells kind) {
        return switch (kind) {
            case THINGS ->
                product(
                        "thing",
                        kind,
                        Product.Kind.PHYSICAL,
                        sample(20),
                        Optional.of(Weight.parse("weight", "1 " + shop.weightUnit())));
            case DOWNLOADS -> product("download", kind, Product.Kind.DIGITAL, sample(10), Optional.empty());
            case SERVICES -> product("service", kind, Product.Kind.SERVICE, sample(50), Optional.empty());
        };
    }

    private Product product(String id, Sells sells, Product.Kind kind, BigDecimal price, Optional<Weight> weight) {
        return Product.of(id, name(said, sells), kind, price, STANDARD, weight, List.of());
    }

    /** Whether a product is as it was laid. */
    boolean laid(Product product) {
        return products(List.of(Sells.values())).contains(product);
    }

    /** A round price: 20.00, or 2000 in a currency without minor units. */
    private BigDecimal sample(int units) {
        return decimals == 0
                ? BigDecimal.valueOf(units * 100L)
                : BigDecimal.valueOf(units).setScale(decimals);
    }

    /** A rate sheet: home, the Union and the world as far as the shop sells, each priced as things are sent. */
    Delivery delivery(SendingPrice sending, Reach to) {
        String country = shop.address().country();
        List<Delivery.Zone> zones = new ArrayList<>();
        zones.add(zone("home", said.region(country), new Place.Country(country), sending, 5));
        if (to == Reach.UNION || Groups.EU.contains(country) && to == Reach.EVERYWHERE) {
            zones.add(zone("union", said.say("setup.european-union"), new Place.Group("EU"), sending, 12));
        }
        if (to == Reach.EVERYWHERE) {
            zones.add(zone("world", said.say("setup.everywhere-else"), new Place.Group("WORLD"), sending, 20));
        }
        return new Delivery(
                zones,
                List.of(new Delivery.Option(
                        STANDARD,
                        said.say("setup.usual-delivery"),
                        "",
                        Optional.of(new Delivery.Days(2, 5)),
                        Optional.empty())));
    }

    /** Whether a rate sheet is one that was laid, and that nobody changed since. */
    boolean laid(Delivery delivery) {
        return Arrays.stream(SendingPrice.values())
                .flatMap(sending -> Stream.of(Reach.values()).map(to -> delivery(sending, to)))
                .anyMatch(delivery::equals);
    }

    private Delivery.Zone zone(String id, String name, Place place, SendingPrice sending, int units) {
        return new Delivery.Zone(
                id,
                name,
                List.of(place),
                List.of(),
                Map.of(STANDARD, new PriceRule(basis(sending, units), Optional.empty())));
    }

    private PriceRule.Basis basis(SendingPrice sending, int units) {
        return switch (sending) {
            case ONE_PRICE -> new PriceRule.Fixed(sample(units), false);
            case BY_WEIGHT ->
                new PriceRule.Bands(
                        shop.weightUnit(),
                        List.of(
                                new PriceRule.Band(BigDecimal.ONE, sample(units)),
                                new PriceRule.Band(BigDecimal.valueOf(5), sample(units * 2))),
                        Optional.of(new PriceRule.Then(BigDecimal.ONE, sample(1))));
            case BY_CARRIER -> new PriceRule.CarrierQuote(ANY_SERVICE, sample(units));
            case FREE -> new PriceRule.Fixed(BigDecimal.ZERO.setScale(decimals), false);
        };
    }

    /** A place to collect at the shop's own address; without hours yet, which the check then asks for. */
    Pickup.Spot spot() {
        return new Pickup.Spot(
                "shop",
                said.say("setup.at-the-shop"),
                shop.address().lines(),
                shop.home(),
                "",
                List.of(),
                null,
                null,
                null,
                14,
                null,
                true,
                null,
                null);
    }

    Pickup.Local local() {
        return new Pickup.Local(
                said.say("setup.brought-round-by-us"),
                "",
                null,
                BigDecimal.valueOf(5),
                shop.weightUnit().equals("lb") ? "mi" : "km",
                new PriceRule(new PriceRule.Fixed(sample(3), false), Optional.empty()),
                null,
                null,
                null,
                null);
    }
}
