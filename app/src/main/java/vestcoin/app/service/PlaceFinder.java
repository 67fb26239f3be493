package vestcoin.app.service;

import vestcoin.app.outside.Refusal;
import vestcoin.app.outside.Silent;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;

/**
 * Finds where an address lies. A real one is one more class like {@link HttpPlaces}. May throw {@link Silent} and
 * {@link Refusal}.
 */
public interface PlaceFinder {
    /** @throws Refusal.NotFound if the place is not known */
    Point point(Destination place);
}
