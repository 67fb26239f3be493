package vestcoin.app.storefront;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import vestcoin.core.basket.Basket;
import vestcoin.core.delivery.Delivery;
import vestcoin.core.delivery.Offer;
import vestcoin.core.goods.Line;
import vestcoin.core.goods.Product;
import vestcoin.core.pickup.Hours;
import vestcoin.core.pickup.Pickup;
import vestcoin.core.place.Countries;
import vestcoin.core.place.Destination;
import vestcoin.core.problem.InvalidInput;
import vestcoin.core.quote.Order;
import vestcoin.core.quote.Pricing;
import vestcoin.core.setup.CompiledSetup;
import vestcoin.core.setup.Setup;
import vestcoin.core.setup.Shop;
import vestcoin.core.terms.Terms;

/**
 * A shop in the vocabulary of schema.org (OnlineStore, MerchantReturnPolicy, OfferShippingDetails,
 * OpeningHoursSpecification), as a value to be written as JSON-LD. Delivery is what one piece costs to send, priced as
 * any order is; what a carrier would have to be asked for, and what the shop brings round itself, is left out.
 */
public final class StructuredData {
    private static final String SCHEMA = "https://schema.org/";
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");

    private final CompiledSetup compiled;
    private final Setup setup;
    private final Instant at;
    private final List<String> countries;

    private StructuredData(CompiledSetup compiled, Instant at) {
        this.compiled = compiled;
        this.setup = compiled.setup();
        this.at = at;
        this.countries = Countries.all().stream()
                .filter(country -> setup.shop().sellsTo().stream().anyMatch(place -> place.reaches(country)))
                .sorted()
                .toList();
    }

    /** @param url of the page @param at when delivery is priced */
    public static Map<String, Object> of(CompiledSetup compiled, String url, Instant at) {
        return new StructuredData(compiled, at).store(url);
    }

    private Map<String, Object> store(String url) {
        Shop shop = setup.shop();
        Map<String, Object> store = thing("OnlineStore");
        store.put("@context", "https://schema.org");
        store.put("@id", url);
        store.put("url", url);
        store.put("name", shop.name());
        put(store, "legalName", shop.legalName());
        put(store, "email", shop.email());
        put(store, "telephone", shop.phone());
        store.put(
                "address",
                address(
                        shop.address().lines(),
                        shop.address().city(),
                        shop.address().postcode(),
                        shop.address().country()));
        returns().ifPresent(policy -> store.put("hasMerchantReturnPolicy", policy));
        if (!setup.pickup().places().isEmpty()) {
            store.put(
                    "department",
                    setup.pickup().places().stream().map(StructuredData::place).toList());
        }
        store.put(
                "makesOffer",
                setup.goods().products().stream()
                        .filter(product -> product.kind() == Product.Kind.PHYSICAL && product.soldTo(Optional.empty()))
                        .map(this::offer)
                        .toList());
        return store;
    }

    private static Map<String, Object> thing(String type) {
        return new LinkedHashMap<>(Map.of("@type", type));
    }

    private static void put(Map<String, Object> thing, String name, String text) {
        if (!text.isBlank()) {
            thing.put(name, text);
        }
    }

    private static Map<String, Object> address(List<String> lines, String city, String postcode, String country) {
        Map<String, Object> address = thing("PostalAddress");
        put(address, "streetAddress", String.join(", ", lines));
        put(address, "addressLocality", city);
        put(address, "postalCode", postcode);
        address.put("addressCountry", country);
        return address;
    }

    private Optional<Map<String, Object>> returns() {
        Terms terms = setup.terms();
        Optional<Integer> days = Stream.of(terms.returnDays(), terms.withdrawalDays())
                .flatMap(Optional::stream)
                .max(Integer::compareTo);
        return days.map(most -> {
            Map<String, Object> policy = thing("MerchantReturnPolicy");
            policy.put("applicableCountry", countries);
            policy.put("returnPolicyCountry", setup.shop().address().country());
            policy.put("returnPolicyCategory", SCHEMA + "MerchantReturnFiniteReturnWindow");
            policy.put("merchantReturnDays", most);
            policy.put("returnMethod", SCHEMA + "ReturnByMail");
            policy.put("refundType", SCHEMA + "FullRefund");
            terms.returnPayer()
                    .ifPresent(payer -> policy.put(
                            "returnFees",
                            SCHEMA + (payer == Terms.Payer.SHOP ? "FreeReturn" : "ReturnFeesCustomerResponsibility")));
            return policy;
        });
    }

    private static Map<String, Object> place(Pickup.Spot spot) {
        Map<String, Object> place = thing("LocalBusiness");
        place.put("name", spot.name());
        place.put(
                "address",
                address(
                        spot.lines(),
                        "",
                        spot.at().postcode().orElse(""),
                        spot.at().country()));
        put(place, "telephone", spot.contact());
        place.put(
                "openingHoursSpecification",
                spot.hours().stream().map(StructuredData::hours).toList());
        return place;
    }

    private static Map<String, Object> hours(Hours span) {
        Map<String, Object> hours = thing("OpeningHoursSpecification");
        List<java.time.DayOfWeek> days = span.days().isEmpty() ? List.of(java.time.DayOfWeek.values()) : span.days();
        hours.put(
                "dayOfWeek",
                days.stream()
                        .map(day ->
                                SCHEMA + day.getDisplayName(java.time.format.TextStyle.FULL, java.util.Locale.ENGLISH))
                        .toList());
        hours.put("opens", CLOCK.format(span.from()));
        // The end of the day, as schema.org has it.
        hours.put("closes", span.to().equals(java.time.LocalTime.MIDNIGHT) ? "23:59" : CLOCK.format(span.to()));
        return hours;
    }

    private Map<String, Object> offer(Product product) {
        Map<String, Object> offer = thing("Offer");
        Map<String, Object> item = thing("Product");
        item.put("name", product.name());
        offer.put("itemOffered", item);
        offer.put("price", product.price());
        offer.put("priceCurrency", setup.shop().currency());
        offer.put("shippingDetails", shipping(product));
        return offer;
    }

    /** What sending it costs and how long it takes. */
    private record ShippingRate(BigDecimal price, Optional<Delivery.Days> days) {}

    /** The cheapest way to each country, countries with the same one together. */
    private List<Map<String, Object>> shipping(Product product) {
        Map<String, List<String>> places = new TreeMap<>();
        Map<String, ShippingRate> ways = new TreeMap<>();
        for (String country : countries) {
            cheapest(product, country).ifPresent(sent -> {
                places.computeIfAbsent(sent.toString(), key -> new ArrayList<>())
                        .add(country);
                ways.put(sent.toString(), sent);
            });
        }
        return places.entrySet().stream()
                .map(each -> details(ways.get(each.getKey()), each.getValue()))
                .toList();
    }

    private Optional<ShippingRate> cheapest(Product product, String country) {
        Map<String, String> choices = new TreeMap<>();
        product.options()
                .forEach(option ->
                        choices.put(option.id(), option.choices().get(0).id()));
        BigDecimal quantity = product.measure().map(Product.Measure::least).orElse(BigDecimal.ONE);
        try {
            return Pricing.priceUntraced(
                            compiled,
                            Order.of(
                                    at,
                                    Basket.of(
                                            List.of(new Line(
                                                    product.id(),
                                                    quantity,
                                                    choices,
                                                    Optional.empty(),
                                                    product.madeUpAnswers(),
                                                    product.kind() == Product.Kind.BOX
                                                            ? product.parts().kept(List.of())
                                                            : List.of())),
                                            Destination.of(country)),
                                    Map.of()))
                    .sent()
                    .offers()
                    .stream()
                    .filter(offer -> setup.delivery().options().stream().anyMatch(option -> option.id()
                            .equals(offer.option().id())))
                    .filter(Offer.Available.class::isInstance)
                    .map(Offer.Available.class::cast)
                    .filter(offered -> offered.note().isEmpty())
                    .map(offered -> new ShippingRate(
                            offered.price().value(), offered.option().days()))
                    .min(java.util.Comparator.comparing(ShippingRate::price));
        } catch (InvalidInput e) {
            return Optional.empty();
        }
    }

    private Map<String, Object> details(ShippingRate sent, List<String> places) {
        Map<String, Object> rate = thing("MonetaryAmount");
        rate.put("value", sent.price());
        rate.put("currency", setup.shop().currency());
        Map<String, Object> details = thing("OfferShippingDetails");
        details.put("shippingRate", rate);
        details.put(
                "shippingDestination",
                places.stream()
                        .map(country -> {
                            Map<String, Object> region = thing("DefinedRegion");
                            region.put("addressCountry", country);
                            return region;
                        })
                        .toList());
        sent.days().ifPresent(days -> {
            Map<String, Object> transit = thing("QuantitativeValue");
            transit.put("minValue", days.from());
            transit.put("maxValue", days.to());
            transit.put("unitCode", "DAY");
            Map<String, Object> time = thing("ShippingDeliveryTime");
            time.put("transitTime", transit);
            details.put("deliveryTime", time);
        });
        return details;
    }
}
