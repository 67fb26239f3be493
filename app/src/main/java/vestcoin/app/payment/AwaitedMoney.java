package vestcoin.app.payment;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import vestcoin.core.life.PaymentState;

/**
 * Money that is not taken yet: waited for without a provider, as a transfer is, or held by one until the goods leave.
 */
@Repository
public class AwaitedMoney {
    private final JdbcClient sql;
    private final PaymentBook book;

    AwaitedMoney(JdbcClient sql, PaymentBook book) {
        this.sql = sql;
        this.book = book;
    }

    /**
     * Whether nothing was paid of an order and nobody else is just deciding on it: then what it comes to may change.
     */
    public boolean nothingPaid(long order) {
        return book.ofOrder(order).stream()
                .filter(payment -> payment.stateNow().alive())
                .allMatch(payment -> !payment.throughProvider() && !payment.byVoucher() && payment.captured() == 0);
    }

    /** What a provider holds for an order of which nothing was taken, in minor units; nothing where that is not all. */
    public Optional<Long> held(long order) {
        List<PaymentBook.Payment> alive = book.ofOrder(order).stream()
                .filter(payment -> payment.stateNow().alive())
                .toList();
        return Optional.of(alive)
                .filter(payments -> payments.size() == 1)
                .map(payments -> payments.get(0))
                .filter(payment -> payment.throughProvider()
                        && payment.stateNow() == PaymentState.AUTHORISED
                        && payment.captured() == 0)
                .map(PaymentBook.Payment::amount);
    }

    /**
     * Another amount is waited for, or less than is held is taken when the goods leave; a provider lets the rest go.
     *
     * @param amount in minor units, above zero and at most what is held
     * @return whether nobody was just taking it
     */
    public boolean change(long order, long amount) {
        boolean changed =
                sql.sql("""
                        update payment set amount = :amount
                        where order_id = :order and part = '' and alive is not null and captured = 0
                          and (gateway is null or state = 'authorised' and amount >= :amount)
                          and not exists (select 1 from payment_move where payment = payment.id and settled is null)
                        """).param("amount", amount).param("order", order).update() > 0;
        book.announce(order);
        return changed;
    }
}
