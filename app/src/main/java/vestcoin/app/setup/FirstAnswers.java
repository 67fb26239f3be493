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
import vestcoin.core.setup.Rehearsal;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
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
        Shop was = setup.shop();
        String country = this.country.orElse(was.address().country());
        boolean moved = !country.equals(was.address().country());
        Shop.Address address = new Shop.Address(
                was.address().lines(),
                was.address().city(),
                region.or(() -> was.address().region().filter(known -> !moved)),
                was.address().postcode(),
                country);
        ZoneId zone = timeZone.map(ZoneId::of).orElseGet(() -> TimeZones.of(country, at, ZoneId.of(was.timeZone())));
        Shop shop = new Shop(
                was.name(),
                was.legalName(),
                address,
                was.email(),
                was.phone(),
                currency.orElseGet(() -> moved ? currencyOf(country) : was.currency()),
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
                was.numbers(),
                POUNDS.contains(country) ? "in" : "cm");
        FirstSheets before = new FirstSheets(was);
        FirstSheets sheets = new FirstSheets(shop);
        List<Product> typed = setup.goods().products().stream()
                .filter(product -> !before.laid(product))
                .toList();
        List<Product> products = Stream.concat(
                        typed.stream(), sheets.products(sells).stream().filter(sample -> typed.stream()
                                .noneMatch(product -> product.id().equals(sample.id()))))
                .toList();
        boolean sent = ways.contains(Way.SENT) && products.stream().anyMatch(Product::physical);
        Delivery delivery = !before.laid(setup.delivery())
                ? setup.delivery()
                : sent
                        ? sheets.delivery(sending.orElse(SendingPrice.ONE_PRICE), to.orElse(Reach.COUNTRY))
                        : new Delivery(List.of(), List.of());
        TaxBuilder tax = TaxBuilder.builder(setup.tax())
                .prices(prices.orElse(pricesOf(country)))
                .places(confirmed(setup.tax()));
        tax.places(Stream.concat(
                        tax.places().stream(), TaxBookFilling.of(tax.build(), shop.home(), shop.sellsTo()).stream())
                .toList());
        Rehearsal rehearsal = products.isEmpty()
                ? setup.rehearsal()
                : new Rehearsal(
                        Stream.concat(
                                        Stream.of(Rehearsal.SampleOrder.of(
                                                FIRST,
                                                sheets.nameOfOne(products.get(0)),
                                                Basket.of(
                                                        List.of(Line.of(
                                                                products.get(0).id(), 1)),
                                                        new Destination(country, address.region(), Optional.empty())))),
                                        setup.rehearsal().baskets().stream()
                                                .filter(basket -> !basket.id().equals(FIRST)))
                                .toList(),
                        setup.rehearsal().meant());
        return new Setup(
                shop,
                new Goods(
                        products,
                        setup.goods().buyerGroups(),
                        setup.goods().groups(),
                        setup.goods().defaultGroup()),
                setup.discounts(),
                delivery,
                tax.build(),
                setup.payment(),
                rehearsal,
                pickup(setup.pickup(), before, sheets),
                setup.terms());
    }

    /** Rows of the tax book that somebody typed or confirmed; those filled from the reference are filled anew. */
    private static List<Tax.PlaceRates> confirmed(Tax tax) {
        return tax.places().stream().filter(row -> row.toConfirm().isEmpty()).toList();
    }

    /** What is collected and brought round, unless it was set since. */
    private Pickup pickup(Pickup was, FirstSheets before, FirstSheets sheets) {
        List<Pickup.Spot> spots = Stream.concat(
                        was.places().stream().filter(spot -> !spot.equals(before.spot())),
                        ways.contains(Way.FETCHED) && was.places().stream().allMatch(spot -> spot.equals(before.spot()))
                                ? Stream.of(sheets.spot())
                                : Stream.empty())
                .toList();
        Optional<Pickup.Local> local = was.local().filter(set -> !set.equals(before.local()));
        return new Pickup(
                spots, local.or(() -> ways.contains(Way.BROUGHT) ? Optional.of(sheets.local()) : Optional.empty()));
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
