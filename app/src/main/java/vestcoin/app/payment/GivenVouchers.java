package vestcoin.app.payment;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What orders took of vouchers that nobody paid for: a discount each, kept as long as the order stands. */
@Repository
public class GivenVouchers {
    private record Row(String shop, String code, long amount) {}

    private final JdbcClient sql;
    private final Vouchers vouchers;

    GivenVouchers(JdbcClient sql, Vouchers vouchers) {
        this.sql = sql;
        this.vouchers = vouchers;
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

    /** Gives back what an order took, in the transaction that calls it off. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void giveBack(long order) {
        List<Row> taken = sql.sql("select shop, code, amount from voucher_given where order_id = :order")
                .param("order", order)
                .query(Row.class)
                .list();
        taken.forEach(row -> vouchers.giveBack(row.shop(), row.code(), null, row.amount()));
        sql.sql("delete from voucher_given where order_id = :order")
                .param("order", order)
                .update();
    }
}
