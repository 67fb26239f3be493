package vestcoin.app.payment;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Money that is waited for without a provider: a transfer, a cheque, cash. */
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

    /** Another amount is waited for. @param amount in minor units, above zero */
    public void change(long order, long amount) {
        sql.sql("update payment set amount = :amount where order_id = :order and part = '' and alive is not null "
                        + "and gateway is null and captured = 0")
                .param("amount", amount)
                .param("order", order)
                .update();
        book.announce(order);
    }
}
