package vestcoin.app.payment;

import java.util.List;
import java.util.OptionalLong;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What is still to be written of orders that changed. It is noted in the transaction that changes the order and crossed
 * out when it is done; whoever writes is told once that transaction is committed, and finds here what a crash left.
 */
@Repository
public class Outbox {
    /** What follows from a change. */
    public enum Kind {
        PAPER,
        LETTER,
        FILE,
        VOUCHER;

        private String text() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    private static final int AT_A_TIME = 1000;

    private final JdbcClient sql;
    private final ApplicationEventPublisher events;
    private final FollowedTransactions transactions;

    Outbox(JdbcClient sql, ApplicationEventPublisher events, FollowedTransactions transactions) {
        this.sql = sql;
        this.events = events;
        this.transactions = transactions;
    }

    /** Notes that an order has changed, and tells once that is committed. */
    void changed(long order) {
        // The order's row first, as everybody locks who writes what is owed of it.
        sql.sql("select id from orders where id = :order for update")
                .param("order", order)
                .query(Long.class)
                .single();
        for (Kind kind : Kind.values()) {
            int known = sql.sql("update owed set change = change + 1 where kind = :kind and order_id = :order")
                    .param("kind", kind.text())
                    .param("order", order)
                    .update();
            if (known == 0) {
                sql.sql("merge into owed(kind, order_id, change) key (kind, order_id) values (:kind, :order, 1)")
                        .param("kind", kind.text())
                        .param("order", order)
                        .update();
            }
        }
        events.publishEvent(new PaymentBook.PaymentChanged(order));
    }

    /** Does something once the change that is told of has let go of its connection, behind what was begun before. */
    public void afterwards(Runnable work) {
        transactions.afterwards(work);
    }

    /**
     * Has done what is still to be handed over of an order, where somebody else made the change and has not come to it
     * yet.
     */
    void catchUp(long order) {
        if (change(Kind.FILE, order).isPresent() || change(Kind.VOUCHER, order).isPresent()) {
            events.publishEvent(new PaymentBook.PaymentChanged(order));
        }
    }

    /** Orders of which something is owed, the oldest first, so many at a time. */
    public List<Long> due(Kind kind) {
        return sql.sql("select order_id from owed where kind = :kind order by kind, order_id limit :most")
                .param("kind", kind.text())
                .param("most", AT_A_TIME)
                .query(Long.class)
                .list();
    }

    /** Which change of an order is owed for; to be asked before what is written is looked up. */
    public OptionalLong change(Kind kind, long order) {
        return sql
                .sql("select change from owed where kind = :kind and order_id = :order")
                .param("kind", kind.text())
                .param("order", order)
                .query(Long.class)
                .optional()
                .stream()
                .mapToLong(Long::longValue)
                .findFirst();
    }

    /** Crosses out what was owed for a change; a later one stays. */
    public void done(Kind kind, long order, OptionalLong change) {
        change.ifPresent(
                seen -> sql.sql("delete from owed where kind = :kind and order_id = :order and change = :change")
                        .param("kind", kind.text())
                        .param("order", order)
                        .param("change", seen)
                        .update());
    }
}
