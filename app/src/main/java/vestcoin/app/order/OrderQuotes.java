package vestcoin.app.order;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What each order came to, figure by figure, as it was asked. It is ten times as long as all else of an order, so it
 * stands in a table of its own, and who looks through many orders does not read it.
 */
@Repository
class OrderQuotes {
    /** Stands in a list of columns of {@code orders}. */
    static final String OF_ORDER = "(select quote from order_quote where order_id = orders.id) as quote";

    private final JdbcClient sql;

    OrderQuotes(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param quote as JSON, in the place of the one there was */
    void keep(long order, String quote) {
        sql.sql("merge into order_quote(order_id, quote) key (order_id) values (:order, :quote)")
                .param("order", order)
                .param("quote", quote)
                .update();
    }
}
