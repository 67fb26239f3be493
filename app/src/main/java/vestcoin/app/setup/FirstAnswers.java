package vestcoin.app.setup;

import com.ibm.icu.text.CurrencyMetaInfo;
import com.ibm.icu.util.ULocale;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.goods.Goods;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.message.Message;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Groups;
import vestcoin.core.place.Place;
import vestcoin.core.place.TimeZones;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.setup.CurrencyChange;
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.setup.ShopBuilder;
import vestcoin.core.tax.Tax;
import vestcoin.core.tax.TaxBookFilling;
import vestcoin.core.tax.TaxBuilder;

/**
 * What a new shop answers to the first questions, and the draft that follows: one thing to sell, its delivery, and the
 * published tax rates marked to be confirmed, so that the ticket prices a basket at once. Whatever is not answered
 * stays as it is or is taken from the place; nothing else is switched on. Answered again, only what is still as it was
 * laid is laid anew.
 *
 * @param country ISO 3166-1, where it is not the one the shop was begun in
 * @param region ISO 3166-2, where taxes depend on it
 * @param sells what kind of goods
 * @param ways how they get to the buyer
 * @param sending how what is sent is priced
 * @param to who may order
 * @param prices how shelf prices are typed
 * @param currency ISO 4217
 * @param language BCP 47
 * @param timeZone IANA name, for countries with several
 */
public record FirstAnswers(
        Optional<String> country,
        Optional<String> region,
        List<Sells> sells,
        List<Way> ways,
        Optional<SendingPrice> sending,
        Optional<Reach> to,
        Optional<Tax.Prices> prices,
        Optional<String> currency,
        Optional<String> language,
        Optional<String> timeZone) {
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

    /** How what is sent is priced. */
    public enum SendingPrice {
        ONE_PRICE,
        BY_WEIGHT,
        BY_CARRIER,
        FREE
    }

    public enum Reach {
        COUNTRY,
        UNION,
        EVERYWHERE
    }

    /** The order to try that is made of the answers. */
    private static final String FIRST = "first";

    private static final List<String> POUNDS = List.of("US", "LR", "MM");
    private static final List<String> WITHOUT_TAX = List.of("US", "CA");

    public FirstAnswers {
        country = country == null
                ? Optional.empty()
                : country.filter(name -> !name.isBlank()).map(name -> CountryNames.countryOr("country", name));
        sending = sending == null ? Optional.empty() : sending;
        timeZone = timeZone == null ? Optional.empty() : timeZone.filter(name -> !name.isBlank());
        timeZone.filter(name -> !ZoneId.getAvailableZoneIds().contains(name)).ifPresent(name -> {
            throw new InvalidInput(
                    "timeZone",
                    Message.of("setup.no-time-zone-known-here", "typed", name),
                    Message.of("setup.type-a-large-town-with-the-same-clock"));
        });
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
        String was = setup.shop().address().country();
        String country = this.country.orElse(was);
        String money =
                currency.orElseGet(() -> country.equals(was) ? setup.shop().currency() : currencyOf(country));
        // Amounts typed meanwhile keep their numbers, as far as the new currency has them.
        Setup typed = typed(setup);
        Setup kept = money.equals(setup.shop().currency())
                ? typed
                : CurrencyChange.of(typed, money, Optional.empty()).setup();
        Shop shop = shop(kept.shop(), country, money, at);
        FirstSheets sheets = new FirstSheets(shop);
        List<Product> products = Stream.concat(
                        kept.goods().products().stream(),
                        sheets.products(sells).stream().filter(sample -> kept.goods().products().stream()
                                .noneMatch(product -> product.id().equals(sample.id()))))
                .toList();
        boolean sends = ways.contains(Way.SENT) && products.stream().anyMatch(Product::physical);
        Tax open = TaxBuilder.builder(kept.tax())
                .prices(prices.orElse(pricesOf(country)))
                .build();
        List<Tax.PlaceRates> rows = Stream.concat(
                        open.places().stream(), TaxBookFilling.of(open, shop.home(), shop.sellsTo()).stream())
                .toList();
        return new Setup(
                shop,
                goods(kept.goods(), products),
                kept.discounts(),
                sends && nothing(kept.delivery())
                        ? sheets.delivery(sending.orElse(SendingPrice.ONE_PRICE), to.orElse(Reach.COUNTRY))
                        : kept.delivery(),
                TaxBuilder.builder(open).places(rows).build(),
                kept.payment(),
                products.isEmpty()
                        ? kept.rehearsal()
                        : rehearsal(kept.rehearsal(), sheets.nameOfOne(products.get(0)), products.get(0), shop.home()),
                pickup(kept.pickup(), sheets),
                kept.terms());
    }

    /** What was typed since the questions were last answered: without what is still as it was laid. */
    private static Setup typed(Setup setup) {
        FirstSheets before = new FirstSheets(setup.shop());
        return new Setup(
                setup.shop(),
                goods(
                        setup.goods(),
                        setup.goods().products().stream()
                                .filter(product -> !before.laid(product))
                                .toList()),
                setup.discounts(),
                before.laid(setup.delivery()) ? new Delivery(List.of(), List.of()) : setup.delivery(),
                // Rows filled from the reference and not confirmed are filled anew.
                TaxBuilder.builder(setup.tax())
                        .places(setup.tax().places().stream()
                                .filter(row -> row.toConfirm().isEmpty())
                                .toList())
                        .build(),
                setup.payment(),
                setup.rehearsal(),
                new Pickup(
                        setup.pickup().places().stream()
                                .filter(spot -> !spot.equals(before.spot()))
                                .toList(),
                        setup.pickup().local().filter(local -> !local.equals(before.local()))),
                setup.terms());
    }

    private Shop shop(Shop was, String country, String money, Instant at) {
        Shop.Address address = was.address();
        boolean moved = !country.equals(address.country());
        boolean pounds = POUNDS.contains(country);
        return ShopBuilder.builder(was)
                // Region, postcode and point are of the country before.
                .address(new Shop.Address(
                        address.lines(),
                        address.city(),
                        region.or(() -> address.region().filter(known -> !moved)),
                        moved ? "" : address.postcode(),
                        country))
                .point(was.point().filter(known -> !moved))
                .currency(money)
                .language(language.orElseGet(() -> languageOf(country)))
                .timeZone(timeZone.orElseGet(() ->
                        TimeZones.of(country, at, ZoneId.of(was.timeZone())).getId()))
                .weightUnit(pounds ? "lb" : "kg")
                .lengthUnit(pounds ? "in" : "cm")
                .sellsTo(soldTo(country))
                .build();
    }

    private static Goods goods(Goods goods, List<Product> products) {
        return goods.with(products);
    }

    private static boolean nothing(Delivery delivery) {
        return delivery.zones().isEmpty() && delivery.options().isEmpty();
    }

    /** One of the first product, sent home, before the other orders to try. */
    private static Rehearsal rehearsal(Rehearsal was, String name, Product product, Destination home) {
        Destination to = new Destination(home.country(), home.region(), Optional.empty());
        return new Rehearsal(
                Stream.concat(
                                Stream.of(Rehearsal.SampleOrder.of(
                                        FIRST, name, Basket.of(List.of(Line.of(product.id(), 1)), to))),
                                was.baskets().stream()
                                        .filter(basket -> !basket.id().equals(FIRST)))
                        .toList(),
                was.meant(),
                was.pins());
    }

    /** What is collected and brought round; what was set since stays. */
    private Pickup pickup(Pickup typed, FirstSheets sheets) {
        return new Pickup(
                ways.contains(Way.FETCHED) && typed.places().isEmpty() ? List.of(sheets.spot()) : typed.places(),
                typed.local().or(() -> ways.contains(Way.BROUGHT) ? Optional.of(sheets.local()) : Optional.empty()));
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
}
