package vestcoin.app.payment;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What is written of payments. Every change of state is a row with its time, actor, amount and reason. Amounts are minor units. */
@Repository
public class PaymentBook {
    public record Payment(long id, long orderId, String shop, String gateway, String method, String idempotencyKey, String providerRef, String state,
            String reason, String action, long amount, long captured, long refunded) {
        PaymentState stateNow() {
            return PaymentState.of(state);
        }
    }

    public record Transition(String state, long amount, Instant at, String actor, String note) {}

    record Move(String idempotencyKey, long payment, String kind, long amount, String actor) {}

    private static final String PAYMENT = """
            select id, order_id, shop, gateway, method, idempotency_key, coalesce(provider_ref, '') as provider_ref, state, reason, action,
                   amount, captured, refunded
            from payment
            """;

    private final JdbcClient sql;
    private final Clock clock;

    PaymentBook(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Tries of an order, the latest first. */
    public List<Payment> ofOrder(long order) {
        return sql.sql(PAYMENT + "where order_id = :order order by id desc").param("order", order).query(Payment.class).list();
    }

    public List<Transition> transitions(long payment) {
        return sql.sql("select state, amount, at, actor, note from payment_transition where payment = :payment order by seq").param("payment", payment).query(Transition.class).list();
    }

    Payment of(long id) {
        return sql.sql(PAYMENT + "where id = :id").param("id", id).query(Payment.class).single();
    }

    Optional<Payment> byKey(String key) {
        return sql.sql(PAYMENT + "where idempotency_key = :key").param("key", key).query(Payment.class).optional();
    }

    List<Payment> open() {
        return sql.sql(PAYMENT + "where state in ('created', 'needs-buyer', 'pending') order by id").query(Payment.class).list();
    }

    /**
     * Makes the index by state anew. After a kill in the middle of a write the database was seen to come back with the new state in the
     * row and the old one in the index, so that a settled payment was found as open for ever.
     */
    @Transactional
    void mend() {
        sql.sql("drop index if exists payment_by_state").update();
        sql.sql("create index payment_by_state on payment(state)").update();
    }

    /** When a payment last changed. */
    Instant lastChange(long payment) {
        return sql.sql("select max(at) from payment_transition where payment = :payment").param("payment", payment).query(Instant.class).single();
    }

    /** Begins a try, unless another of the same order is alive: then that one is given. */
    @Transactional
    public Payment begin(long order, String shop, String gateway, String method, long amount) {
        try {
            String key = UUID.randomUUID().toString();
            sql.sql("""
                    insert into payment(order_id, shop, gateway, method, idempotency_key, state, amount)
                    values (:order, :shop, :gateway, :method, :key, 'created', :amount)""")
                    .param("order", order).param("shop", shop).param("gateway", gateway).param("method", method).param("key", key).param("amount", amount).update();
            Payment begun = byKey(key).orElseThrow();
            write(begun.id(), PaymentState.CREATED, amount, "buyer", "");
            return begun;
        } catch (DuplicateKeyException e) {
            return ofOrder(order).stream().filter(payment -> List.of("created", "needs-buyer", "pending", "authorised", "captured", "refunded").contains(payment.state()))
                    .findFirst().orElseThrow(() -> e);
        }
    }

    /** Takes in how the provider sees a payment. News that cannot follow what is known changes nothing. */
    @Transactional
    public Payment learn(long id, CardService.View view, String actor) {
        Payment known = sql.sql(PAYMENT + "where id = :id for update").param("id", id).query(Payment.class).single();
        PaymentState next = PaymentState.of(view.state());
        boolean moves = known.stateNow().leadsTo(next);
        long captured = Math.max(known.captured(), Math.min(view.captured(), known.amount()));
        long refunded = Math.max(known.refunded(), Math.min(view.refunded(), captured));
        if (!moves && captured == known.captured() && refunded == known.refunded() && !known.providerRef().isEmpty()) {
            return known;
        }
        PaymentState state = moves ? next : known.stateNow();
        sql.sql("""
                update payment set state = :state, provider_ref = :ref, reason = :reason, action = :action, captured = :captured, refunded = :refunded
                where id = :id""")
                .param("state", state.text()).param("ref", view.ref().isEmpty() ? null : view.ref()).param("reason", moves ? view.reason() : known.reason())
                .param("action", state == PaymentState.NEEDS_BUYER ? view.action() : "").param("captured", captured).param("refunded", refunded)
                .param("id", id).update();
        if (captured > known.captured()) {
            write(id, PaymentState.CAPTURED, captured - known.captured(), actor, "");
        }
        if (refunded > known.refunded()) {
            write(id, PaymentState.REFUNDED, refunded - known.refunded(), actor, "");
        }
        if (moves && captured == known.captured() && refunded == known.refunded()) {
            write(id, state, known.amount(), actor, view.reason());
        }
        return of(id);
    }

    /** Moves a payment on without the provider's word: no answer came, or nothing ever reached it. */
    @Transactional
    public Payment put(long id, PaymentState next, String note) {
        Payment known = sql.sql(PAYMENT + "where id = :id for update").param("id", id).query(Payment.class).single();
        if (!known.stateNow().leadsTo(next)) {
            return known;
        }
        sql.sql("update payment set state = :state, reason = :note where id = :id").param("state", next.text()).param("note", note).param("id", id).update();
        write(id, next, known.amount(), "vest coin", note);
        return of(id);
    }

    private void write(long payment, PaymentState state, long amount, String actor, String note) {
        sql.sql("""
                insert into payment_transition(payment, seq, state, amount, at, actor, note)
                values (:payment, (select coalesce(max(seq), 0) + 1 from payment_transition where payment = :payment), :state, :amount, :at, :actor, :note)""")
                .param("payment", payment).param("state", state.text()).param("amount", amount).param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("actor", actor).param("note", note).update();
    }

    /** Writes down that money shall move, before the provider is asked. A key moves once. */
    @Transactional
    public void ask(String key, long payment, String kind, long amount, String actor) {
        sql.sql("select id from payment where id = :id for update").param("id", payment).query(Long.class).single();
        if (sql.sql("select count(*) from payment_move where idempotency_key = :key").param("key", key).query(Long.class).single() == 0) {
            sql.sql("insert into payment_move(idempotency_key, payment, kind, amount, actor, at) values (:key, :payment, :kind, :amount, :actor, :at)")
                    .param("key", key).param("payment", payment).param("kind", kind).param("amount", amount).param("actor", actor)
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC)).update();
        }
    }

    void settle(String key, boolean done, String note) {
        sql.sql("update payment_move set settled = :settled, note = :note where idempotency_key = :key and settled is null")
                .param("settled", done ? "done" : "refused").param("note", note).param("key", key).update();
    }

    /** Who asked for the money move that a payment waits for: news of it is that person's doing, whichever way it comes. */
    Optional<String> askedBy(long payment) {
        return sql.sql("select actor from payment_move where payment = :payment and settled is null order by at limit 1").param("payment", payment).query(String.class).optional();
    }

    List<Move> unsettled() {
        return sql.sql("select idempotency_key, payment, kind, amount, actor from payment_move where settled is null order by at").query(Move.class).list();
    }

    /** Whether an event is new; asked in the transaction that acts on it. */
    boolean firstTime(String shop, String event) {
        try {
            sql.sql("insert into webhook_event(shop, event, at) values (:shop, :event, :at)").param("shop", shop).param("event", event)
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC)).update();
            return true;
        } catch (DuplicateKeyException e) {
            return false;
        }
    }
}
