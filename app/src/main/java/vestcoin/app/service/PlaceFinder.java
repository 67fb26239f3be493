package vestcoin.app.service;

import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;

/**
 * Finds where an address lies. A real one is one more class like {@link HttpPlaces}. May throw {@link ProviderTimeout}
 * and {@link ProviderRejection}.
 */
public interface PlaceFinder {
    /** @throws ProviderRejection.NotFound if the place is not known */
    Point point(Destination place);
}
