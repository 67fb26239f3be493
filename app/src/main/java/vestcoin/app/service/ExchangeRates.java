package vestcoin.app.service;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.format.RateFeed;
import vestcoin.app.outside.HttpCalls;
import vestcoin.app.outside.ProviderRejection;
import vestcoin.app.outside.ProviderTimeout;
import vestcoin.app.outside.ServiceAccess;
import vestcoin.app.outside.TimePassed;
import vestcoin.core.money.Exchange;
import vestcoin.core.problem.InvalidInput;

/**
 * Exchange rates of the day, fetched from the feed every few hours and kept; when it is silent the last ones stand,
 * with their day.
 */
@Service
public class ExchangeRates {
    private static final Logger LOG = LoggerFactory.getLogger(ExchangeRates.class);
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private record Row(LocalDate published, String currency, BigDecimal rate) {}

    private final JdbcClient sql;
    private final HttpCalls calls;
    private final ServiceAccess feed;

    ExchangeRates(JdbcClient sql, HttpCalls calls, @Value("${vest-coin.services}") String services) {
        this.sql = sql;
        this.calls = calls;
        this.feed = new ServiceAccess(services + "/rates", "");
    }

    /** The latest rates there are. */
    public Optional<Exchange> latest() {
        Map<String, BigDecimal> rates = new TreeMap<>();
        LocalDate[] day = new LocalDate[1];
        sql.sql("select published, currency, rate from exchange_rate where base = :base and published = "
                        + "(select max(published) from exchange_rate where base = :base)")
                .param("base", RateFeed.BASE)
                .query(Row.class)
                .list()
                .forEach(row -> {
                    day[0] = row.published();
                    rates.put(row.currency(), row.rate().stripTrailingZeros());
                });
        return rates.isEmpty() ? Optional.empty() : Optional.of(new Exchange(RateFeed.BASE, day[0], rates));
    }

    /** The rates of a day, or of the next one there are any of. */
    public Optional<Exchange> from(LocalDate first) {
        return sql.sql("select min(published) from exchange_rate where base = :base and published >= :first")
                .param("base", RateFeed.BASE)
                .param("first", first)
                .query(LocalDate.class)
                .optional()
                .map(this::of);
    }

    private Exchange of(LocalDate day) {
        Map<String, BigDecimal> rates = new TreeMap<>();
        sql.sql("select published, currency, rate from exchange_rate where base = :base and published = :day")
                .param("base", RateFeed.BASE)
                .param("day", day)
                .query(Row.class)
                .list()
                .forEach(row -> rates.put(row.currency(), row.rate().stripTrailingZeros()));
        return new Exchange(RateFeed.BASE, day, rates);
    }

    /** Asks the feed. @throws ProviderTimeout or Refused if nothing could be taken in; what is there stays */
    @Transactional
    public Exchange fetch() {
        Exchange fresh =
                RateFeed.parse(calls.text(feed, "GET", "/v1/daily.xml", Map.of(), null, "application/xml", PATIENCE));
        fresh.rates().forEach((currency, rate) -> sql.sql(
                        "merge into exchange_rate(base, published, currency, rate) key (base, published, currency) "
                                + "values (:base, :day, :currency, :rate)")
                .param("base", fresh.base())
                .param("day", fresh.day())
                .param("currency", currency)
                .param("rate", rate)
                .update());
        return fresh;
    }

    @EventListener({ApplicationReadyEvent.class, TimePassed.class})
    @Scheduled(cron = "0 30 */3 * * *")
    void fetchQuietly() {
        try {
            fetch();
        } catch (ProviderTimeout | ProviderRejection | InvalidInput e) {
            LOG.info("exchange rates were not fetched: {}", e.getMessage());
        }
    }
}
