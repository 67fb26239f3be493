package vestcoin.app.setup;

import com.ibm.icu.text.CurrencyMetaInfo;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vestcoin.app.format.Phrases;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.PriceRule;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.goods.Weight;
import vestcoin.core.money.Currencies;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.TimeZones;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBookFilling;

/**
 * What a new shop answers to the first questions, and the draft that follows: one thing to sell, its delivery, and the
 * published tax rates marked to be confirmed, so that the ticket prices a basket at once. Whatever is not answered
 * stays as it is or is taken from the place; nothing else is switched on. The sample prices are plainly round.
 *
 * @param region ISO 3166-2, where taxes depend on it
 * @param sells what kind of goods
 * @param ways how they get to the buyer
 * @param to who may order
 * @param prices how shelf prices are typed
 * @param currency ISO 4217
 * @param language BCP 47
 */
public record FirstAnswers(
        Optional<String> region,
        List<Sells> sells,
        List<Way> ways,
        Optional<Reach> to,
        Optional<Tax.Prices> prices,
        Optional<String> currency,
        Optional<String> language) {
    public enum Sells {
        THINGS,
        DOWNLOADS,
        SERVICES
    }

    public enum Way {
        SENT,
        FETCHED,
        BROUGHT
    }

    public enum Reach {
        COUNTRY,
        UNION,
        EVERYWHERE
    }

    private static final String STANDARD = "standard";
    private static final List<String> POUNDS = List.of("US", "LR", "MM");
    private static final List<String> WITHOUT_TAX = List.of("US", "CA");

    public FirstAnswers {
        region = region == null ? Optional.empty() : region.filter(code -> !code.isBlank());
        sells = sells == null ? List.of() : List.copyOf(sells);
        ways = ways == null ? List.of() : List.copyOf(ways);
        to = to == null ? Optional.empty() : to;
        prices = prices == null ? Optional.empty() : prices;
        currency = currency == null
                ? Optional.empty()
                : currency.filter(name -> !name.isBlank()).map(name -> CountryNames.currencyOr("currency", name));
        language = language == null ? Optional.empty() : language.filter(tag -> !tag.isBlank());
    }

    /** The money used in a country today, as CLDR has it; euro where it has none. */
    public static String currencyOf(String country) {
        return CurrencyMetaInfo.getInstance()
                .currencies(CurrencyMetaInfo.CurrencyFilter.onRegion(country)
                        .withTender()
                        .withDate(new java.util.Date()))
                .stream()
                .findFirst()
                .orElse("EUR");
    }

    /** The language most read in a country, as CLDR has it. */
    public static String languageOf(String country) {
        return ULocale.addLikelySubtags(new ULocale("und_" + country)).getLanguage() + "-" + country;
    }

    /** How prices are usually typed in a country. Common practice, no source. */
    public static Tax.Prices pricesOf(String country) {
        return WITHOUT_TAX.contains(country) ? Tax.Prices.WITHOUT_TAX : Tax.Prices.WITH_TAX;
    }

    /** The setup that follows from the answers. @param at the instant, for the time zone of the place */
    public Setup applied(Setup setup, Instant at) {
        Shop was = setup.shop();
        String country = was.address().country();
        Shop.Address address = new Shop.Address(
                was.address().lines(),
                was.address().city(),
                region.or(was.address()::region),
                was.address().postcode(),
                country);
        ZoneId zone = TimeZones.of(country, at, ZoneId.of(was.timeZone()));
        Shop shop = new Shop(
                was.name(),
                was.legalName(),
                address,
                was.email(),
                was.phone(),
                currency.orElse(was.currency()),
                language.orElseGet(() -> languageOf(country)),
                zone.getId(),
                POUNDS.contains(country) ? "lb" : "kg",
                was.rounding(),
                soldTo(country),
                was.currencies(),
                was.working(),
                was.point(),
                was.smallest(),
                was.languages(),
                was.numbers());
        int digits = Currencies.of(shop.currency())
                .map(unit -> unit.getDecimalPlaces())
                .orElse(2);
        Phrases said = Phrases.in(shop.language());
        List<Product> products = products(digits, shop.weightUnit());
        boolean sent = ways.contains(Way.SENT) && products.stream().anyMatch(Product::physical);
        Tax open = new Tax(prices.orElse(pricesOf(country)), setup.tax().categories(), List.of());
        Tax tax = new Tax(open.prices(), open.categories(), TaxBookFilling.of(open, shop.home(), shop.sellsTo()));
        Rehearsal rehearsal = products.isEmpty()
                ? setup.rehearsal()
                : new Rehearsal(List.of(Rehearsal.SampleOrder.of(
                        "first",
                        "One " + products.get(0).name(),
                        Basket.of(
                                List.of(Line.of(products.get(0).id(), 1)),
                                new Destination(country, address.region(), Optional.empty())))));
        return new Setup(
                shop,
                new Goods(products),
                setup.discounts(),
                sent ? delivery(country, digits, said) : setup.delivery(),
                tax,
                setup.payment(),
                rehearsal,
                pickup(shop, digits, said),
                setup.terms());
    }

    private List<Place> soldTo(String country) {
        return switch (to.orElse(Reach.COUNTRY)) {
            case COUNTRY -> List.of(new Place.Country(country));
            case UNION ->
                Groups.EU.contains(country)
                        ? List.of(new Place.Group("EU"))
                        : List.of(new Place.Country(country), new Place.Group("EU"));
            case EVERYWHERE -> List.of(new Place.Group("WORLD"));
        };
    }

    private List<Product> products(int digits, String unit) {
        List<Product> products = new ArrayList<>();
        for (Sells kind : sells) {
            products.add(
                    switch (kind) {
                        case THINGS ->
                            product(
                                    "thing",
                                    "First thing",
                                    Product.Kind.PHYSICAL,
                                    sample(20, digits),
                                    Optional.of(Weight.parse("weight", "1 " + unit)));
                        case DOWNLOADS ->
                            product(
                                    "download",
                                    "First download",
                                    Product.Kind.DIGITAL,
                                    sample(10, digits),
                                    Optional.empty());
                        case SERVICES ->
                            product(
                                    "service",
                                    "First service",
                                    Product.Kind.SERVICE,
                                    sample(50, digits),
                                    Optional.empty());
                    });
        }
        return products;
    }

    private static Product product(
            String id, String name, Product.Kind kind, BigDecimal price, Optional<Weight> weight) {
        return Product.of(id, name, kind, price, STANDARD, weight, List.of());
    }

    /** A round price: 20.00, or 2000 in a currency without minor units. */
    private static BigDecimal sample(int units, int digits) {
        return digits == 0
                ? BigDecimal.valueOf(units * 100L)
                : BigDecimal.valueOf(units).setScale(digits);
    }

    /** @param said the shop's language, for names buyers read */
    private Delivery delivery(String country, int digits, Phrases said) {
        List<Delivery.Zone> zones = new ArrayList<>();
        zones.add(zone("home", said.region(country), new Place.Country(country), sample(5, digits)));
        if (to.filter(reach -> reach == Reach.UNION || Groups.EU.contains(country) && reach == Reach.EVERYWHERE)
                .isPresent()) {
            zones.add(zone("union", said.say("setup.european-union"), new Place.Group("EU"), sample(12, digits)));
        }
        if (to.filter(reach -> reach == Reach.EVERYWHERE).isPresent()) {
            zones.add(zone("world", said.say("setup.everywhere-else"), new Place.Group("WORLD"), sample(20, digits)));
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

    private static Delivery.Zone zone(String id, String name, Place place, BigDecimal price) {
        return new Delivery.Zone(
                id,
                name,
                List.of(place),
                List.of(),
                Map.of(STANDARD, new PriceRule(new PriceRule.Fixed(price, false), Optional.empty())));
    }

    /** Places without hours yet, which the check then asks for. */
    private Pickup pickup(Shop shop, int digits, Phrases said) {
        List<Pickup.Spot> spots = !ways.contains(Way.FETCHED)
                ? List.of()
                : List.of(new Pickup.Spot(
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
                        null));
        PriceRule fee = new PriceRule(new PriceRule.Fixed(sample(3, digits), false), Optional.empty());
        Optional<Pickup.Local> local = !ways.contains(Way.BROUGHT)
                ? Optional.empty()
                : Optional.of(new Pickup.Local(
                        said.say("setup.brought-round-by-us"),
                        "",
                        null,
                        BigDecimal.valueOf(5),
                        shop.weightUnit().equals("lb") ? "mi" : "km",
                        fee,
                        null,
                        null,
                        null,
                        null));
        return new Pickup(spots, local);
    }
}
