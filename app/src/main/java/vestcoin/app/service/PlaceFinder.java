package vestcoin.app.service;

import java.util.List;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;

/**
 * Finds where an address lies. A real one is one more class like {@link HttpPlaces}. May throw {@link ProviderTimeout}
 * and {@link ProviderRejection}.
 */
public interface PlaceFinder {
    /** @param region by ISO 3166-2, empty where addresses name none */
    record FoundAddress(String street, String postcode, String city, String region) {}

    /** Addresses in a country that begin as somebody types, a few at most. */
    List<FoundAddress> addresses(String country, String text);

    /** @throws ProviderRejection.NotFound if the place is not known */
    Point point(Destination place);
}
