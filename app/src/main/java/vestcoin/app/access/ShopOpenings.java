package vestcoin.app.access;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which shops are open to the public. A new one is closed until its seller opens it. */
@Repository
public class ShopOpenings {
    /**
     * @param since when it was opened; nothing while it is closed @param notice what a closed shop says, may be empty
     */
    public record Door(Optional<Instant> since, String notice) {
        public boolean open() {
            return since.isPresent();
        }
    }

    private record Row(Instant openedAt, String notice) {}

    private final JdbcClient sql;
    private final Clock clock;

    ShopOpenings(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    public Door of(String shop) {
        return sql.sql("select opened_at, notice from shop where id = :shop")
                .param("shop", shop)
                .query(Row.class)
                .optional()
                .map(row -> new Door(Optional.ofNullable(row.openedAt()), row.notice()))
                .orElse(new Door(Optional.empty(), ""));
    }

    /** Opens a shop; one that is open stays as it is. */
    public void open(String shop) {
        sql.sql("update shop set opened_at = coalesce(opened_at, :at) where id = :shop")
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("shop", shop)
                .update();
    }

    /** Closes a shop. Orders already placed can still be paid, withdrawn from and sent back. */
    public void close(String shop, String notice) {
        sql.sql("update shop set opened_at = null, notice = :notice where id = :shop")
                .param("notice", notice)
                .param("shop", shop)
                .update();
    }
}
