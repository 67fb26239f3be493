package vestcoin.app.payment;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.life.PaymentState;

/**
 * The money of an order that is changed after it was taken: what it comes to less is given back, what it comes to more
 * is waited for.
 */
@Service
public class ChangedOrders {
    private final JdbcClient sql;
    private final PaymentBook book;
    private final MoneyMoves moves;
    private final Payments payments;

    ChangedOrders(JdbcClient sql, PaymentBook book, MoneyMoves moves, Payments payments) {
        this.sql = sql;
        this.book = book;
        this.moves = moves;
        this.payments = payments;
    }

    /**
     * What is taken of an order, in minor units; nothing where it is not the whole, something was given back of it, or
     * money is just moving.
     *
     * @param carried what was given back because it was changed before
     */
    public Optional<Long> taken(long order, long carried) {
        List<PaymentBook.Payment> alive = alive(order);
        boolean whole = alive.stream()
                .allMatch(payment -> waited(payment)
                        || !payment.byVoucher()
                                && payment.captured() == payment.amount()
                                && (payment.stateNow() == PaymentState.CAPTURED
                                        || payment.stateNow() == PaymentState.REFUNDED));
        long back = alive.stream().mapToLong(PaymentBook.Payment::refunded).sum();
        boolean moving = sql.sql("select exists (select 1 from payment_move m join payment p on p.id = m.payment "
                        + "where p.order_id = :order and m.settled is null)")
                .param("order", order)
                .query(Boolean.class)
                .single();
        long captured = alive.stream().mapToLong(PaymentBook.Payment::captured).sum();
        return Optional.of(captured - carried).filter(taken -> whole && !moving && back == carried && taken > 0);
    }

    /**
     * Settles what an order comes to now, in the transaction that has changed its own row.
     *
     * @param due what it comes to now, beside vouchers
     * @param taken of it, as {@link #taken} says
     * @param way id of the way to pay by which more is waited for
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void settle(long order, String shop, long due, long taken, String way, String actor) {
        Optional<PaymentBook.Payment> waited =
                alive(order).stream().filter(ChangedOrders::waited).findFirst();
        if (due <= taken) {
            waited.ifPresent(payment ->
                    book.transition(payment.id(), PaymentState.VOIDED, actor, "the order was changed again"));
            giveBack(order, taken - due, actor);
        } else if (waited.isPresent()) {
            sql.sql("update payment set amount = :amount, method = :way where id = :id")
                    .param("amount", due - taken)
                    .param("way", way)
                    .param("id", waited.get().id())
                    .update();
        } else {
            long before = book.ofOrder(order).stream()
                    .filter(PaymentBook.Payment::ofChange)
                    .count();
            payments.await(
                    new PaymentBook.Begun(order, shop, "", way, PaymentBook.MORE + (before + 1), due - taken, true, 1),
                    "the order was changed");
        }
        book.stand(order);
        book.announce(order);
    }

    /** Once that is committed: providers are asked for what is given back. */
    public void afterwards(long order) {
        payments.carryOn(order);
    }

    /** To the card first, as far as it paid. */
    private void giveBack(long order, long amount, String actor) {
        long rest = amount;
        List<PaymentBook.Payment> paid = alive(order).stream()
                .filter(payment -> payment.captured() > payment.refunded())
                .sorted(java.util.Comparator.comparing(payment -> payment.throughProvider() ? 0 : 1))
                .toList();
        for (PaymentBook.Payment payment : paid) {
            long part = Math.min(rest, payment.captured() - payment.refunded());
            if (part > 0) {
                String key = UUID.randomUUID().toString();
                if (payment.throughProvider()) {
                    moves.ask(key, payment.id(), Provider.Kind.REFUND, part, actor);
                } else {
                    payments.here(payment, Provider.Kind.REFUND, key, part, actor);
                }
                rest -= part;
            }
        }
    }

    private List<PaymentBook.Payment> alive(long order) {
        return book.ofOrder(order).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
    }

    /** Whether it is what an order came to more and nobody has paid yet. */
    private static boolean waited(PaymentBook.Payment payment) {
        return payment.ofChange() && payment.stateNow() == PaymentState.PENDING && payment.captured() == 0;
    }
}
