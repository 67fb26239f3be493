package vestcoin.app.payment;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.life.PaymentStanding;
import vestcoin.core.life.PaymentState;
import vestcoin.core.life.PaymentTry;

/**
 * What is written of payments. Every change of state is a row with its time, actor, amount and reason. Amounts are
 * minor units.
 */
@Repository
public class PaymentBook {
    /**
     * One try to pay a part of an order.
     *
     * @param gateway empty where no provider stands behind it
     * @param part code of the voucher that pays it; empty for the rest of the order; {@link #MORE} and a number for
     *     what an order came to more when it was changed
     * @param atOnce whether the money is taken as soon as it is authorised
     * @param lapsesAt when its authorisation ends by itself, null before there is one
     * @param keptCard what the provider calls the card it keeps of it, or empty
     * @param version how many changes the provider had made when it last told of it
     * @param answerBy until when the seller has to answer a dispute, or null
     */
    public record Payment(
            long id,
            long orderId,
            String shop,
            String gateway,
            String method,
            String part,
            String idempotencyKey,
            String providerRef,
            String state,
            String reason,
            String action,
            long amount,
            long captured,
            long refunded,
            boolean atOnce,
            int holdDays,
            Instant lapsesAt,
            String keptCard,
            long version,
            Instant answerBy) {
        public PaymentState stateNow() {
            return PaymentState.of(state);
        }

        public boolean throughProvider() {
            return !gateway.isEmpty();
        }

        public boolean byVoucher() {
            return !part.isEmpty() && !ofChange();
        }

        /** Whether it pays what an order came to more when it was changed. */
        public boolean ofChange() {
            return part.startsWith(MORE);
        }

        /** What it may do and has done, for the rules of an order's life. */
        public PaymentTry life() {
            return new PaymentTry(stateNow(), amount, captured, refunded, byVoucher());
        }
    }

    /**
     * What is to be paid.
     *
     * @param gateway empty where no provider stands behind it
     * @param key by which it is begun once; made anew where it is empty
     */
    public record Begun(
            long order,
            String shop,
            String gateway,
            String method,
            String part,
            long amount,
            boolean atOnce,
            int holdDays,
            String key) {
        public Begun(
                long order,
                String shop,
                String gateway,
                String method,
                String part,
                long amount,
                boolean atOnce,
                int holdDays) {
            this(order, shop, gateway, method, part, amount, atOnce, holdDays, "");
        }

        /** The same, once for a key. */
        public Begun once(String own) {
            return new Begun(order, shop, gateway, method, part, amount, atOnce, holdDays, own);
        }
    }

    public record Transition(String state, long amount, Instant at, String actor, String note) {}

    /** Begins the part of what an order came to more; no voucher's code has it. */
    static final String MORE = "+";

    private static final String PAYMENT = """
            select id, order_id, shop, coalesce(gateway, '') as gateway, method, part, idempotency_key,
                coalesce(provider_ref, '') as provider_ref, state, reason, action,
                   amount, captured, refunded, at_once, hold_days, lapses_at, kept_card, version, answer_by
            from payment
            """;

    /** Something of an order's payments changed; told within the transaction that changes it. */
    public record PaymentChanged(long order) {}

    /**
     * Money of an order is to be given back, or not after all: told at once, within the transaction that writes it
     * down, so that whoever cannot have it says so.
     */
    public record RefundAsked(long order) {}

    private final JdbcClient sql;
    private final Outbox outbox;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    PaymentBook(JdbcClient sql, Outbox outbox, ApplicationEventPublisher events, Clock clock) {
        this.sql = sql;
        this.outbox = outbox;
        this.events = events;
        this.clock = clock;
    }

    /** Tries of an order, the latest first, those by voucher last, as those of a change that came to nothing. */
    public List<Payment> ofOrder(long order) {
        return sql.sql(PAYMENT + """
                        where order_id = :order
                        order by case when part = '' or part like '+%' and alive is not null then 0 else 1 end, id desc
                        """).param("order", order).query(Payment.class).list();
    }

    public List<Transition> transitions(long payment) {
        return sql.sql("select state, amount, at, actor, note from payment_transition where payment = :payment "
                        + "order by seq")
                .param("payment", payment)
                .query(Transition.class)
                .list();
    }

    public Payment of(long id) {
        return sql.sql(PAYMENT + "where id = :id")
                .param("id", id)
                .query(Payment.class)
                .single();
    }

    Optional<Payment> byKey(String key) {
        return sql.sql(PAYMENT + "where idempotency_key = :key")
                .param("key", key)
                .query(Payment.class)
                .optional();
    }

    /** What a provider may still answer to. */
    List<Payment> open() {
        return sql.sql(PAYMENT
                        + "where state in ('created', 'needs-buyer', 'pending') and gateway is not null order by id")
                .query(Payment.class)
                .list();
    }

    /** Authorised, to be taken at once, and nobody has asked for it yet: a crash came between. */
    List<Payment> toCapture() {
        return sql.sql(PAYMENT
                        + "p where state = 'authorised' and at_once and not exists (select 1 from "
                        + "payment_move m where m.payment = p.id) order by id")
                .query(Payment.class)
                .list();
    }

    List<Payment> lapsed() {
        return sql.sql(PAYMENT + "where state = 'authorised' and lapses_at < :now order by id")
                .param("now", now())
                .query(Payment.class)
                .list();
    }

    /** When a payment last changed. */
    Instant lastChange(long payment) {
        return sql.sql("select max(at) from payment_transition where payment = :payment")
                .param("payment", payment)
                .query(Instant.class)
                .single();
    }

    /** An order that was called off begins no payment. */
    public static final class CalledOff extends RuntimeException {
        CalledOff(long order) {
            super("order " + order + " was called off");
        }
    }

    /**
     * Begins a try, unless another of the same part of the order is alive: then that one is given. The order's row is
     * locked, so that a payment and calling the order off cannot both happen.
     *
     * @throws CalledOff if the order was called off
     */
    @Transactional
    public Payment begin(Begun asked) {
        if (sql.sql("select cancelled_at is not null from orders where id = :order for update")
                .param("order", asked.order())
                .query(Boolean.class)
                .single()) {
            throw new CalledOff(asked.order());
        }
        try {
            String key = asked.key().isEmpty() ? UUID.randomUUID().toString() : asked.key();
            Optional<Payment> begunBefore = byKey(key);
            if (begunBefore.isPresent()) {
                return begunBefore.get();
            }
            sql.sql("""
                    insert into payment(order_id, shop, gateway, method, part, idempotency_key, state, amount,
                        at_once, hold_days)
                    values (:order, :shop, :gateway, :method, :part, :key, 'created', :amount, :atOnce, :holdDays)""")
                    .param("order", asked.order())
                    .param("shop", asked.shop())
                    .param("gateway", asked.gateway().isEmpty() ? null : asked.gateway())
                    .param("method", asked.method())
                    .param("part", asked.part())
                    .param("key", key)
                    .param("amount", asked.amount())
                    .param("atOnce", asked.atOnce())
                    .param("holdDays", asked.holdDays())
                    .update();
            Payment begun = byKey(key).orElseThrow();
            write(begun, PaymentState.CREATED, asked.amount(), "buyer", "");
            return begun;
        } catch (DuplicateKeyException e) {
            return ofOrder(asked.order()).stream()
                    .filter(payment -> payment.part().equals(asked.part())
                            && payment.stateNow().alive())
                    .findFirst()
                    .orElseThrow(() -> e);
        }
    }

    /**
     * Takes in how the provider sees a payment. News that is older than what is known, or cannot follow it, changes
     * nothing.
     */
    @Transactional
    public Payment applyProviderState(long id, Provider.View view, String actor) {
        Payment known = locked(id);
        if (view.version() < known.version()) {
            return known;
        }
        PaymentState next = PaymentState.of(view.state());
        boolean moves = known.stateNow().leadsTo(next);
        long captured = Math.max(known.captured(), Math.min(view.sums().captured(), known.amount()));
        long refunded = Math.max(known.refunded(), Math.min(view.sums().refunded(), captured));
        if (!moves
                && captured == known.captured()
                && refunded == known.refunded()
                && !known.providerRef().isEmpty()) {
            return known;
        }
        PaymentState state = moves ? next : known.stateNow();
        sql.sql("""
                update payment set state = :state, provider_ref = :ref, reason = :reason, action = :action,
                    captured = :captured, refunded = :refunded, version = :version, kept_card = :kept,
                    card_country = :country, lapses_at = :lapses, answer_by = :answer where id = :id""")
                .param(
                        "answer",
                        view.answerBy().map(at -> at.atOffset(ZoneOffset.UTC)).orElse(null))
                .param("country", view.cardCountry())
                .param("state", state.text())
                .param("ref", view.ref().isEmpty() ? null : view.ref())
                .param("reason", moves ? view.reason() : known.reason())
                .param("action", state == PaymentState.NEEDS_BUYER ? view.action() : "")
                .param("captured", captured)
                .param("refunded", refunded)
                .param("version", view.version())
                .param("kept", view.keptCard())
                .param("lapses", lapses(known, state))
                .param("id", id)
                .update();
        if (captured > known.captured()) {
            write(known, PaymentState.CAPTURED, captured - known.captured(), actor, "");
        }
        if (refunded > known.refunded()) {
            write(known, PaymentState.REFUNDED, refunded - known.refunded(), actor, "");
        }
        if (moves && captured == known.captured() && refunded == known.refunded()) {
            write(known, state, known.amount(), actor, view.reason());
        }
        return of(id);
    }

    private Object lapses(Payment known, PaymentState state) {
        if (state == PaymentState.AUTHORISED && known.lapsesAt() == null) {
            return clock.instant().plus(Duration.ofDays(known.holdDays())).atOffset(ZoneOffset.UTC);
        }
        return known.lapsesAt() == null ? null : known.lapsesAt().atOffset(ZoneOffset.UTC);
    }

    /** Moves a payment on without a provider's word: no answer came, nothing ever reached it, or there is none. */
    @Transactional
    public Payment transition(long id, PaymentState next, String actor, String note) {
        Payment known = locked(id);
        if (!known.stateNow().leadsTo(next)) {
            return known;
        }
        sql.sql("update payment set state = :state, reason = :note where id = :id")
                .param("state", next.text())
                .param("note", note)
                .param("id", id)
                .update();
        write(known, next, known.amount(), actor, note);
        return of(id);
    }

    /**
     * Money that came, or was given back, without a provider: written once for a key.
     *
     * @return the payment after it, or nothing if the payment does not allow it
     */
    @Transactional
    public Optional<Payment> moveHere(
            Payment payment, Provider.Kind kind, String key, long amount, String actor, String note) {
        Payment known = locked(payment.id());
        if (sql.sql("select count(*) from payment_move where idempotency_key = :key")
                        .param("key", key)
                        .query(Long.class)
                        .single()
                > 0) {
            return Optional.of(known);
        }
        long captured = known.captured() + (kind == Provider.Kind.CAPTURE ? amount : 0);
        long refunded = known.refunded() + (kind == Provider.Kind.REFUND ? amount : 0);
        boolean open = kind == Provider.Kind.REFUND
                ? known.stateNow().refundable()
                : known.stateNow().open() || known.stateNow() == PaymentState.CAPTURED;
        if (amount <= 0 || !open || captured > known.amount() || refunded > captured) {
            return Optional.empty();
        }
        PaymentState state = refunded > 0 ? PaymentState.REFUNDED : PaymentState.CAPTURED;
        sql.sql("insert into payment_move(idempotency_key, payment, kind, amount, actor, at, settled, note) "
                        + "values (:key, :payment, :kind, :amount, :actor, :at, 'done', :note)")
                .param("key", key)
                .param("payment", known.id())
                .param("kind", kind.text())
                .param("amount", amount)
                .param("actor", actor)
                .param("at", now())
                .param("note", note)
                .update();
        sql.sql("update payment set state = :state, captured = :captured, refunded = :refunded, reason = '' "
                        + "where id = :id")
                .param("state", state.text())
                .param("captured", captured)
                .param("refunded", refunded)
                .param("id", known.id())
                .update();
        write(known, kind == Provider.Kind.REFUND ? PaymentState.REFUNDED : PaymentState.CAPTURED, amount, actor, note);
        refundAsked(known, kind);
        return Optional.of(of(known.id()));
    }

    /** Tells those who keep papers and messages that an order has changed, once the transaction is committed. */
    public void announce(long order) {
        outbox.changed(order);
    }

    /** A payment that nobody else can change until the transaction ends. */
    Payment locked(long id) {
        return sql.sql(PAYMENT + "where id = :id for update")
                .param("id", id)
                .query(Payment.class)
                .single();
    }

    private void write(Payment payment, PaymentState state, long amount, String actor, String note) {
        sql.sql("""
                insert into payment_transition(payment, seq, state, amount, at, actor, note)
                values (:payment, (select coalesce(max(seq), 0) + 1 from payment_transition where payment =
                    :payment), :state, :amount, :at, :actor, :note)""")
                .param("payment", payment.id())
                .param("state", state.text())
                .param("amount", amount)
                .param("at", now())
                .param("actor", actor)
                .param("note", note)
                .update();
        if (state != PaymentState.CREATED && state.alive()) {
            outbox.changed(payment.orderId());
        }
        stand(payment.orderId());
    }

    /** What is to be paid of an order. @param carried what was given back because it was changed */
    private record Owed(long due, long carried) {}

    /** Writes at the order how far its money is. */
    void stand(long order) {
        Owed owed = sql.sql("select due, carried from orders where id = :order")
                .param("order", order)
                .query(Owed.class)
                .single();
        sql.sql("update orders set standing = :standing where id = :order")
                .param(
                        "standing",
                        PaymentStanding.of(
                                        ofOrder(order).stream()
                                                .map(Payment::life)
                                                .toList(),
                                        owed.due(),
                                        owed.carried())
                                .text())
                .param("order", order)
                .update();
    }

    /** Tells that money is asked to go back. */
    void refundAsked(Payment payment, Provider.Kind kind) {
        if (kind == Provider.Kind.REFUND) {
            events.publishEvent(new RefundAsked(payment.orderId()));
        }
    }

    /** Whether money that is held is just about to be taken: what is told of it waits for that. */
    public boolean aboutToBeTaken(Payment payment) {
        return payment.atOnce()
                && payment.stateNow() == PaymentState.AUTHORISED
                && sql.sql("select count(*) from payment_move where payment = :payment and kind = 'capture' "
                                        + "and settled = 'refused'")
                                .param("payment", payment.id())
                                .query(Long.class)
                                .single()
                        == 0;
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
