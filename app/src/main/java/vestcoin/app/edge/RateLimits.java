package vestcoin.app.edge;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * How often something may be tried, for a client, an address or all together: so many at once, and as many again spread
 * over a time. Kept in memory, bounded; nothing here waits.
 */
@Component
public class RateLimits {
    /** What is slowed. Each can be set, as {@code vest-coin.pace.orders-by-client=20}. */
    public enum Of {
        /** Orders placed from one client. */
        ORDERS_BY_CLIENT(10, Duration.ofMinutes(1)),
        /** Orders placed for one e-mail address, whoever places them. */
        ORDERS_BY_ADDRESS(12, Duration.ofHours(1)),
        /** Letters with a link to sign in, asked for from one client. */
        LINKS_BY_CLIENT(20, Duration.ofHours(1)),
        /** Addresses looked for from one client. */
        ADDRESSES_BY_CLIENT(120, Duration.ofMinutes(1)),
        /** Wallets asked at a basket from one client. */
        WALLETS_BY_CLIENT(20, Duration.ofMinutes(10)),
        /** Codes tried in vain from one client. */
        CODES_BY_CLIENT(12, Duration.ofMinutes(5)),
        /** Codes tried in vain by all together. */
        CODES_BY_ALL(120, Duration.ofMinutes(1));

        private final int atOnce;
        private final Duration over;

        Of(int atOnce, Duration over) {
            this.atOnce = atOnce;
            this.over = over;
        }

        private String property() {
            return "vest-coin.pace." + name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    private static final int MOST_KEYS = 50_000;

    private final Map<Of, Cache<String, Bucket>> buckets = new EnumMap<>(Of.class);

    private final Environment settings;

    RateLimits(Environment settings) {
        for (Of of : Of.values()) {
            buckets.put(
                    of,
                    Caffeine.newBuilder()
                            .maximumSize(MOST_KEYS)
                            .expireAfterAccess(of.over.multipliedBy(2))
                            .build());
        }
        this.settings = settings;
    }

    private Bucket bucket(Of of, String key) {
        int atOnce = settings.getProperty(of.property(), Integer.class, of.atOnce);
        return buckets.get(of).get(key, k -> Bucket.builder()
                .addLimit(limit -> limit.capacity(atOnce).refillGreedy(atOnce, of.over))
                .build());
    }

    /** Counts one more. @return how long to wait when it is one too many; nothing when it may be done */
    public Optional<Duration> wait(Of of, String key) {
        ConsumptionProbe probe = bucket(of, key).tryConsumeAndReturnRemaining(1);
        return probe.isConsumed() ? Optional.empty() : Optional.of(Duration.ofNanos(probe.getNanosToWaitForRefill()));
    }

    /** Whether more than so many were counted lately. */
    public boolean busy(Of of, String key, int few) {
        return settings.getProperty(of.property(), Integer.class, of.atOnce)
                        - bucket(of, key).getAvailableTokens()
                > few;
    }

    /** Whether one more would be too many, without counting it. */
    public boolean exhausted(Of of, String key) {
        return bucket(of, key).getAvailableTokens() <= 0;
    }
}
