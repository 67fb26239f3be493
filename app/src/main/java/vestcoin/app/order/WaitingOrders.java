package vestcoin.app.order;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.core.life.PaymentStanding;

/** Orders that wait for their money: whom to remind, and which have waited long enough. */
@Repository
class WaitingOrders {
    private final JdbcClient sql;
    private final Clock clock;

    WaitingOrders(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    /** Ids of orders whose buyers are to be reminded by now, the earliest first. */
    List<Long> toRemind(int most) {
        return sql.sql("select id from orders where remind_at <= :now order by remind_at limit :most")
                .param("now", now())
                .param("most", most)
                .query(Long.class)
                .list();
    }

    /** Notes that an order's reminder is dealt with. @return whether money of it is still to come */
    boolean reminded(long id) {
        int waiting = sql.sql("""
                update orders set reminded_at = :now
                where id = :id and remind_at is not null and cancelled_at is null and standing in (:open)""")
                .param("now", now())
                .param("id", id)
                .param("open", PaymentStanding.open())
                .update();
        sql.sql("update orders set remind_at = null where id = :id")
                .param("id", id)
                .update();
        return waiting == 1;
    }

    /** Orders whose time to be paid is over, the earliest first. */
    List<Orders.Order> overdue(int most) {
        return sql.sql(Orders.ORDER + """
                where lapses_at < :now and cancelled_at is null and sent = 'no'
                  and not exists (select 1 from payment p where p.order_id = orders.id and p.part = '' and
                      (p.captured > 0 or p.state in ('authorised', 'disputed', 'dispute lost')))
                order by lapses_at limit :most""")
                .param("now", now())
                .param("most", most)
                .query(Orders.Order.class)
                .list();
    }
}
