package vestcoin.app.payment;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Money that came beyond what an order costs: no part of its payments and papers, owed back to who sent it. */
@Repository
public class Surpluses {
    /** @param amount in minor units of the order's currency @param returnedAt when it was given back, or null */
    public record Surplus(long id, long amount, Instant at, String actor, Instant returnedAt) {}

    private final JdbcClient sql;
    private final PaymentBook book;
    private final Payments payments;
    private final Clock clock;

    Surpluses(JdbcClient sql, PaymentBook book, Payments payments, Clock clock) {
        this.sql = sql;
        this.book = book;
        this.payments = payments;
        this.clock = clock;
    }

    /** What came too much for an order, given back or not. */
    public List<Surplus> of(long order) {
        return sql.sql("select id, amount, at, actor, returned_at from surplus where order_id = :order order by id")
                .param("order", order)
                .query(Surplus.class)
                .list();
    }

    /** What came too much for an order and is still owed back, in minor units. */
    public long owed(long order) {
        return of(order).stream()
                .filter(each -> each.returnedAt() == null)
                .mapToLong(Surplus::amount)
                .sum();
    }

    /**
     * Money came without a provider, more than is owed of a payment: the payment gets its own, the rest is kept apart.
     * Once for a key.
     *
     * @param amount all that came, in minor units
     */
    @Transactional
    public void came(PaymentBook.Payment payment, String key, long amount, String actor) {
        PaymentBook.Payment known = book.locked(payment.id());
        if (written(key)) {
            return;
        }
        long rest = Math.max(0, known.amount() - known.captured());
        long taken = Math.min(rest, amount);
        if (taken > 0) {
            payments.here(known, Provider.Kind.CAPTURE, key, taken, actor);
        }
        if (amount > taken) {
            keep(payment.orderId(), key, amount - taken, actor);
        }
    }

    /** Keeps what came too much, once for a key. */
    @Transactional
    public void keep(long order, String key, long amount, String actor) {
        if (!written(key)) {
            sql.sql("insert into surplus(order_id, idempotency_key, amount, at, actor) values (:order, :key, :amount, "
                            + ":at, :actor)")
                    .param("order", order)
                    .param("key", key)
                    .param("amount", amount)
                    .param("at", now())
                    .param("actor", actor)
                    .update();
            book.announce(order);
        }
    }

    /** It was given back. @return whether it was owed until now */
    @Transactional
    public boolean returned(long order, long id, String actor) {
        boolean was = sql.sql("update surplus set returned_at = :at, returned_by = :actor where id = :id and "
                                + "order_id = :order and returned_at is null")
                        .param("at", now())
                        .param("actor", actor)
                        .param("id", id)
                        .param("order", order)
                        .update()
                == 1;
        if (was) {
            book.announce(order);
        }
        return was;
    }

    private boolean written(String key) {
        return sql.sql("select count(*) from surplus where idempotency_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single()
                > 0;
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
