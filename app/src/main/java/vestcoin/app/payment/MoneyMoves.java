package vestcoin.app.payment;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Money that a provider was asked to move: written down before it is asked, so that no crash loses or doubles it. */
@Repository
public class MoneyMoves {
    record Move(String idempotencyKey, long payment, String kind, long amount, String actor) {}

    private final JdbcClient sql;
    private final PaymentBook book;
    private final Clock clock;

    MoneyMoves(JdbcClient sql, PaymentBook book, Clock clock) {
        this.sql = sql;
        this.book = book;
        this.clock = clock;
    }

    /** Writes down that money shall move, before the provider is asked. A key moves once. */
    @Transactional
    public void ask(String key, long payment, Provider.Kind kind, long amount, String actor) {
        PaymentBook.Payment known = book.locked(payment);
        if (sql.sql("select count(*) from payment_move where idempotency_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single()
                == 0) {
            sql.sql("insert into payment_move(idempotency_key, payment, kind, amount, actor, at) values "
                            + "(:key, :payment, :kind, :amount, :actor, :at)")
                    .param("key", key)
                    .param("payment", payment)
                    .param("kind", kind.text())
                    .param("amount", amount)
                    .param("actor", actor)
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                    .update();
            book.refundAsked(known, kind);
        }
    }

    /** Whether what was asked for was done. */
    @Transactional
    public void settle(Move move, boolean done, String note) {
        sql.sql("update payment_move set settled = :settled, note = :note where idempotency_key = :key and "
                        + "settled is null")
                .param("settled", done ? "done" : "refused")
                .param("note", note)
                .param("key", move.idempotencyKey())
                .update();
        if (!done) {
            PaymentBook.Payment payment = book.of(move.payment());
            book.refundAsked(payment, Provider.Kind.of(move.kind()));
            book.announce(payment.orderId());
        }
    }

    /**
     * Who asked for the money move that a payment waits for: news of it is that person's doing, whichever way it comes.
     */
    Optional<String> askedBy(long payment) {
        return sql.sql("select actor from payment_move where payment = :payment and settled is null order by at "
                        + "limit 1")
                .param("payment", payment)
                .query(String.class)
                .optional();
    }

    List<Move> unsettled() {
        return sql.sql("select idempotency_key, payment, kind, amount, actor from payment_move where settled is "
                        + "null order by at")
                .query(Move.class)
                .list();
    }
}
