package vestcoin.app.payment;

import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Events providers have told of, so that each is acted on once. */
@Repository
class ProviderEvents {
    private static final Duration KEPT = Duration.ofDays(1);

    private final JdbcClient sql;
    private final Clock clock;

    ProviderEvents(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Whether an event is new; asked in the transaction that acts on it. */
    boolean firstTime(String shop, String event) {
        try {
            sql.sql("insert into webhook_event(shop, event, at) values (:shop, :event, :at)")
                    .param("shop", shop)
                    .param("event", event)
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                    .update();
            return true;
        } catch (DuplicateKeyException e) {
            return false;
        }
    }

    /** Events are known again only as long as one of that age would still be taken, and a day more. */
    void forgetOld() {
        sql.sql("delete from webhook_event where at < :long")
                .param("long", clock.instant().minus(KEPT).atOffset(ZoneOffset.UTC))
                .update();
    }
}
