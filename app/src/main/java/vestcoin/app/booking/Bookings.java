package vestcoin.app.booking;

import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Slots that orders have taken, days of services they attend, and the address of the shop's calendar of them. */
@Repository
class Bookings {
    /**
     * @param place id of the pickup place, or {@code local}; of the service where it is attended
     * @param attended whether it is a service, and how often; nothing of what is collected or brought
     * @param starts on the shop's clock
     */
    record Booking(
            String place,
            BigDecimal attended,
            LocalDateTime starts,
            LocalDateTime ends,
            int number,
            String token,
            String name,
            String quote,
            String address,
            String standing,
            String sent) {}

    private static final int MOST = 2000;

    private final JdbcClient sql;

    Bookings(JdbcClient sql) {
        this.sql = sql;
    }

    /** Of a shop from a time on, the soonest first, at most two thousand. */
    List<Booking> from(String shop, LocalDateTime from, int most) {
        return sql.sql("""
                select s.place, s.attended, s.starts, s.ends, o.number, o.token, o.name, o.address, o.standing, o.sent,
                    (select quote from order_quote where order_id = o.id) as quote
                from (
                    select place, cast(null as decimal(18, 6)) as attended, starts, ends, order_id from slot_taken
                        where shop = :shop and starts >= :from
                    union all
                    select product, quantity, starts, ends, order_id from attendance
                        where shop = :shop and starts >= :from
                ) s join orders o on o.id = s.order_id
                order by s.starts, o.number limit :most""")
                .param("shop", shop)
                .param("from", from)
                .param("most", Math.min(most, MOST))
                .query(Booking.class)
                .list();
    }

    Optional<String> secret(String shop) {
        return sql.sql("select secret from calendar where shop = :shop")
                .param("shop", shop)
                .query(String.class)
                .optional();
    }

    /** A new address; the old one no longer answers. */
    @Transactional
    String renew(String shop) {
        String secret = UUID.randomUUID().toString();
        sql.sql("merge into calendar(shop, secret) key (shop) values (:shop, :secret)")
                .param("shop", shop)
                .param("secret", secret)
                .update();
        return secret;
    }

    Optional<String> shopOf(String secret) {
        return sql.sql("select shop from calendar where secret = :secret")
                .param("secret", secret)
                .query(String.class)
                .optional();
    }
}
