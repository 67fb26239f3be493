package vestcoin.app.download;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was handed over with orders to be fetched. */
@Repository
public class Downloads {
    /**
     * One file, or link, of an order.
     *
     * @param fileId null where it is a link
     * @param fromAt when it can be fetched first
     * @param until when no longer
     * @param most times in all
     */
    public record Download(
            long id,
            long orderId,
            String product,
            Long fileId,
            String link,
            String name,
            String token,
            Instant fromAt,
            Instant until,
            int most,
            int used) {

        public boolean there(Instant now) {
            return !now.isBefore(fromAt);
        }

        public boolean over(Instant now) {
            return now.isAfter(until) || used >= most;
        }
    }

    private static final String DOWNLOAD =
            "select id, order_id, product, file_id, link, name, token, from_at, until, most, used from download ";

    private final JdbcClient sql;
    private final Clock clock;

    Downloads(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    public List<Download> ofOrder(long order) {
        return sql.sql(DOWNLOAD + "where order_id = :order order by id")
                .param("order", order)
                .query(Download.class)
                .list();
    }

    Optional<Download> byToken(String token) {
        return sql.sql(DOWNLOAD + "where token = :token")
                .param("token", token)
                .query(Download.class)
                .optional();
    }

    /** Hands a file or a link over, once for each of an order. @return whether it was handed over now */
    boolean handOver(
            long order, String product, Long file, String link, String name, Instant from, int days, int most) {
        return sql.sql("""
                insert into download(order_id, product, file_id, link, name, token, from_at, until, most)
                select :order, :product, :file, :link, :name, :token, :from, :until, :most where not exists (select 1
                    from download where order_id = :order and product = :product and (file_id = :file or file_id is
                    null and :file is null))""")
                        .param("order", order)
                        .param("product", product)
                        .param("file", file, java.sql.Types.BIGINT)
                        .param("link", link)
                        .param("name", name)
                        .param("token", UUID.randomUUID().toString())
                        .param("from", from.atOffset(ZoneOffset.UTC))
                        .param("until", from.plus(Duration.ofDays(days)).atOffset(ZoneOffset.UTC))
                        .param("most", most)
                        .update()
                == 1;
    }

    /** Counts one fetching. @return whether there was one left */
    boolean fetch(long id) {
        return sql.sql("update download set used = used + 1 where id = :id and used < most")
                        .param("id", id)
                        .update()
                == 1;
    }

    /** Lets what an order holds be fetched as often and as long again, from now on. */
    void renew(long order) {
        Instant now = clock.instant();
        for (Download each : ofOrder(order)) {
            Duration lasts = Duration.between(each.fromAt(), each.until());
            Instant from = each.fromAt().isAfter(now) ? each.fromAt() : now;
            sql.sql("update download set used = 0, from_at = :from, until = :until where id = :id")
                    .param("from", from.atOffset(ZoneOffset.UTC))
                    .param("until", from.plus(lasts).atOffset(ZoneOffset.UTC))
                    .param("id", each.id())
                    .update();
        }
    }

    /** Orders with files that have become there to be fetched and are not told of. */
    List<Long> untold() {
        return sql.sql("select distinct order_id from download where told = false and from_at <= :now limit 500")
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .query(Long.class)
                .list();
    }

    void told(long order) {
        sql.sql("update download set told = true where order_id = :order and from_at <= :now")
                .param("order", order)
                .param("now", clock.instant().atOffset(ZoneOffset.UTC))
                .update();
    }
}
