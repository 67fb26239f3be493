package vestcoin.app.service;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.core.place.Destination;

/** Parcel shops of the shop's carrier near a place. While it is silent, or none is connected, there are none. */
@Service
public class ParcelShops {
    private static final Logger LOG = LoggerFactory.getLogger(ParcelShops.class);

    private record Near(String shop, String country, String postcode) {}

    private final CarrierService carrier;
    private final ServiceConnections connections;
    private final Cache<Near, List<ParcelShop>> kept = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofMinutes(10))
            .build();

    ParcelShops(CarrierService carrier, ServiceConnections connections) {
        this.carrier = carrier;
        this.connections = connections;
    }

    public List<ParcelShop> near(String shop, String country, String postcode) {
        if (postcode.isBlank() || postcode.length() > 20 || country.length() != 2) {
            return List.of();
        }
        Near near = new Near(shop, country, postcode.strip());
        List<ParcelShop> known = kept.getIfPresent(near);
        if (known != null) {
            return known;
        }
        try {
            return connections
                    .access(shop, ServiceConnections.Kind.CARRIER)
                    .map(access -> carrier.shops(access, Destination.of(country, near.postcode())))
                    .map(found -> {
                        kept.put(near, found);
                        return found;
                    })
                    .orElse(List.of());
        } catch (ProviderTimeout | ProviderRejection e) {
            LOG.info("parcel shops near {} {}: {}", country, postcode, e.getMessage());
            return List.of();
        }
    }

    /** One of them, as the carrier knows it. */
    public Optional<ParcelShop> find(String shop, String country, String postcode, String id) {
        return near(shop, country, postcode).stream()
                .filter(each -> each.id().equals(id))
                .findFirst();
    }
}
