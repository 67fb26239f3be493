package vestcoin.app.payment;

import java.util.Map;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What refunds are for, as the seller said, and what of them is still under way. Amounts are minor units. */
@Repository
public class RefundBook {
    private record ItemShare(String item, long amount) {}

    private final JdbcClient sql;

    RefundBook(JdbcClient sql) {
        this.sql = sql;
    }

    /**
     * What a refund is for, with the refund's key. Said again before the refund was asked for, as when it was not
     * allowed at first, it is what was said last; afterwards it stays.
     *
     * @param parts item of the order's bills to its amount; nothing is said when empty
     */
    @Transactional
    public void allocate(String key, long order, Map<String, Long> parts) {
        if (sql.sql("select count(*) from payment_move where idempotency_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single()
                == 0) {
            sql.sql("delete from refund_part where idempotency_key = :key")
                    .param("key", key)
                    .update();
            parts.forEach((item, amount) -> sql.sql(
                            "insert into refund_part(idempotency_key, order_id, item, amount) values (:key, :order, "
                                    + ":item, :amount)")
                    .param("key", key)
                    .param("order", order)
                    .param("item", item)
                    .param("amount", amount)
                    .update());
        }
    }

    /** What the seller has said that refunds which went through were for, by item. */
    public Map<String, Long> named(long order) {
        return named(order, "m.settled = 'done'");
    }

    /** The same with refunds that are under way. */
    public Map<String, Long> namedOrAsked(long order) {
        return named(order, "(m.settled is null or m.settled = 'done')");
    }

    private Map<String, Long> named(long order, String which) {
        Map<String, Long> named = new TreeMap<>();
        sql.sql("select item, sum(r.amount) as amount from refund_part r join payment_move m on m.idempotency_key = "
                        + "r.idempotency_key where r.order_id = :order and " + which + " group by item")
                .param("order", order)
                .query(ItemShare.class)
                .list()
                .forEach(each -> named.put(each.item(), each.amount()));
        return named;
    }

    /** What was asked to be given back and is neither done nor refused. */
    public long underWay(long order) {
        return sql.sql("select coalesce(sum(m.amount), 0) from payment_move m join payment p on p.id = m.payment where "
                        + "p.order_id = :order and m.kind = 'refund' and m.settled is null")
                .param("order", order)
                .query(Long.class)
                .single();
    }
}
