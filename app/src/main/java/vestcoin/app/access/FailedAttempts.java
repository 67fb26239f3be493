package vestcoin.app.access;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;
import vestcoin.app.outside.ApplicationClock;

/**
 * Who has tried in vain: by key, such as a client's address or an account, the wait grows with each wrong try. Kept in
 * memory and bounded, so that it costs no row and no lock.
 */
@Component
class FailedAttempts {
    private static final int FREE = 5;
    private static final Duration LONGEST = Duration.ofMinutes(15);
    private static final int MOST_KEYS = 50_000;

    private record Failed(int times, Instant until) {}

    private final Cache<String, Failed> failed = Caffeine.newBuilder()
            .maximumSize(MOST_KEYS)
            .expireAfterWrite(LONGEST.multipliedBy(2))
            .build();
    private final Clock clock;

    FailedAttempts(@Qualifier(ApplicationClock.MACHINE) Clock clock) {
        this.clock = clock;
    }

    /** How long a key still has to wait. */
    Optional<Duration> wait(String key) {
        Failed known = failed.getIfPresent(key);
        Instant now = clock.instant();
        return known == null || !now.isBefore(known.until())
                ? Optional.empty()
                : Optional.of(Duration.between(now, known.until()));
    }

    /** One more in vain: from the sixth on a wait of 2, 4, 8 seconds and so on, up to a quarter of an hour. */
    void failed(String key) {
        failed.asMap().compute(key, (k, known) -> {
            int times = known == null ? 1 : known.times() + 1;
            Duration wait = times <= FREE ? Duration.ZERO : Duration.ofSeconds(1L << Math.min(times - FREE, 10));
            return new Failed(times, clock.instant().plus(wait.compareTo(LONGEST) > 0 ? LONGEST : wait));
        });
    }

    void forget(String key) {
        failed.invalidate(key);
    }
}
