package vestcoin.core.setup;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vestcoin.core.tax.Tax;

/** What is known of a shop, as facts that its texts can name. */
public final class ShopFacts {
    private ShopFacts() {}

    /** By the names of {@link vestcoin.core.terms.Facts}; what is not known is left out. */
    public static Map<String, String> of(Setup setup) {
        Shop shop = setup.shop();
        Shop.Address address = shop.address();
        Map<String, String> facts = new LinkedHashMap<>();
        put(facts, "shop-name", shop.legally());
        put(
                facts,
                "shop-address",
                address.lines().isEmpty()
                        ? ""
                        : joined(Stream.concat(
                                address.lines().stream(),
                                Stream.of((address.postcode() + " " + address.city()).strip()))));
        put(facts, "shop-email", shop.email());
        put(facts, "shop-phone", shop.phone());
        List<Tax.Registration> registrations = setup.tax().registrations();
        put(
                facts,
                "shop-numbers",
                joined(Stream.concat(
                        shop.numbers().stream(), registrations.stream().map(Tax.Registration::number))));
        return facts;
    }

    private static String joined(Stream<String> parts) {
        return parts.filter(part -> !part.isBlank()).distinct().collect(Collectors.joining(", "));
    }

    private static void put(Map<String, String> facts, String name, String fact) {
        if (!fact.isBlank()) {
            facts.put(name, fact.strip());
        }
    }
}
