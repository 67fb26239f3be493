package vestcoin.app.service;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Expiry;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.place.Destination;
import vestcoin.core.place.Point;
import vestcoin.core.quote.Order;
import vestcoin.core.setup.CompiledSetup;

/**
 * Where an order goes, as a point, for shops that bring it round themselves. Asked only of places in the shop's own
 * country that have a postcode; an answer is kept for a day, silence for half a minute.
 */
@Service
public class DestinationPoints {
    private static final Logger LOG = LoggerFactory.getLogger(DestinationPoints.class);
    private static final Duration KEPT = Duration.ofDays(1);
    private static final Duration SILENT = Duration.ofSeconds(30);
    private static final int MOST_KEPT = 10_000;

    private record Answer(Optional<Point> point, boolean silent) {}

    private final PlaceFinder finder;
    private final Cache<Destination, Answer> kept = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfter(Expiry.creating((Destination place, Answer answer) -> answer.silent() ? SILENT : KEPT))
            .build();

    DestinationPoints(PlaceFinder finder) {
        this.finder = finder;
    }

    /** The order with its point, where a point decides anything and is not given already. */
    public Order located(CompiledSetup setup, Order order) {
        boolean near = order.to() != null
                && order.to().country().equals(setup.home().country())
                && order.to().postcode().isPresent();
        if (order.point().isPresent() || !near || setup.setup().pickup().local().isEmpty()) {
            return order;
        }
        return kept.get(order.to(), this::asked).point().map(order::at).orElse(order);
    }

    private Answer asked(Destination place) {
        try {
            return new Answer(Optional.of(finder.point(place)).filter(Point::exists), false);
        } catch (ProviderRejection.NotFound e) {
            return new Answer(Optional.empty(), false);
        } catch (ProviderTimeout | ProviderRejection e) {
            LOG.info("address finder: {}", e.getMessage());
            return new Answer(Optional.empty(), true);
        }
    }
}
