package vestcoin.app.service;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.service.PlaceFinder.FoundAddress;
import vestcoin.core.place.Countries;

/**
 * Addresses proposed while a buyer types. Where no finder answers there are none, and it is not asked again for half a
 * minute: nobody waits for it.
 */
@Service
public class AddressProposals {
    private static final Logger LOG = LoggerFactory.getLogger(AddressProposals.class);
    private static final int SHORTEST = 3;
    private static final int LONGEST = 200;
    private static final String SILENT = "silent";

    private record Typed(String country, String text) {}

    private final PlaceFinder finder;
    private final Cache<Typed, List<FoundAddress>> kept = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofHours(1))
            .build();
    private final Cache<String, Boolean> silence = Caffeine.newBuilder()
            .maximumSize(1)
            .expireAfterWrite(Duration.ofSeconds(30))
            .build();

    AddressProposals(PlaceFinder finder) {
        this.finder = finder;
    }

    /** Addresses of a country that begin so, a few at most; none for what is too short or is no country. */
    public List<FoundAddress> of(String country, String text) {
        String typed = text.strip().toLowerCase(Locale.ROOT);
        if (typed.length() < SHORTEST
                || typed.length() > LONGEST
                || !Countries.isCountry(country)
                || silence.getIfPresent(SILENT) != null) {
            return List.of();
        }
        try {
            return kept.get(new Typed(country, typed), asked -> finder.addresses(asked.country(), asked.text()));
        } catch (ProviderTimeout | ProviderRejection e) {
            LOG.info("address finder: {}", e.getMessage());
            silence.put(SILENT, true);
            return List.of();
        }
    }
}
