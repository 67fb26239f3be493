package vestcoin.app.payment;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What orders took of vouchers that are no means of payment: those nobody paid for, and those that were taxed when they
 * were sold. Kept as long as the order stands.
 */
@Repository
public class GivenVouchers {
    /** What an order took of one, in minor units. @param back what of it was given back since */
    public record TakenOff(String shop, String code, long amount, long back) {}

    private final JdbcClient sql;
    private final Vouchers vouchers;
    private final PaymentBook book;

    GivenVouchers(JdbcClient sql, Vouchers vouchers, PaymentBook book) {
        this.sql = sql;
        this.vouchers = vouchers;
        this.book = book;
    }

    /** Takes from a voucher, in the transaction that places the order. @throws Vouchers.Spent if it holds less */
    @Transactional(propagation = Propagation.MANDATORY)
    public void take(long order, String shop, String code, long amount) {
        vouchers.take(shop, code, null, amount);
        sql.sql("insert into voucher_given(order_id, shop, code, amount) values (:order, :shop, :code, :amount)")
                .param("order", order)
                .param("shop", shop)
                .param("code", code)
                .param("amount", amount)
                .update();
    }

    public List<TakenOff> ofOrder(long order) {
        return sql.sql("select shop, code, amount, back from voucher_given where order_id = :order order by code")
                .param("order", order)
                .query(TakenOff.class)
                .list();
    }

    /**
     * Gives a part of what an order took back to its voucher.
     *
     * @param was what had been given back until now: with another figure somebody was faster, and nothing happens
     * @return whether it was given back
     */
    @Transactional
    public boolean giveBack(long order, String code, long was, long amount) {
        boolean first = sql.sql("update voucher_given set back = back + :amount where order_id = :order and "
                                + "code = :code and back = :was and back + :amount <= amount")
                        .param("amount", amount)
                        .param("order", order)
                        .param("code", code)
                        .param("was", was)
                        .update()
                == 1;
        if (first) {
            ofOrder(order).stream()
                    .filter(row -> row.code().equals(code))
                    .forEach(row -> vouchers.giveBack(row.shop(), code, null, amount));
            book.announce(order);
        }
        return first;
    }

    /** Gives back what an order took, in the transaction that calls it off. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void giveBack(long order) {
        ofOrder(order).stream()
                .filter(row -> row.amount() > row.back())
                .forEach(row -> vouchers.giveBack(row.shop(), row.code(), null, row.amount() - row.back()));
        sql.sql("delete from voucher_given where order_id = :order")
                .param("order", order)
                .update();
    }
}
