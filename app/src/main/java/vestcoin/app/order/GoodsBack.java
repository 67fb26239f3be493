package vestcoin.app.order;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.edge.ApiProblem;
import vestcoin.app.format.KeptQuotes;
import vestcoin.app.format.QuoteView;
import vestcoin.app.stock.StockBook;
import vestcoin.core.message.Message;

/** Goods of an order that came back, each counted once, put into stock or not as the seller says. */
@Repository
public class GoodsBack {
    /** @param line its place in the order @param restocked whether it was put into stock */
    public record Returned(int line, BigDecimal quantity, boolean restocked, Instant at, String actor) {}

    private final JdbcClient sql;
    private final Orders orders;
    private final Dispatching dispatching;
    private final StockBook stock;
    private final Clock clock;

    GoodsBack(JdbcClient sql, Orders orders, Dispatching dispatching, StockBook stock, Clock clock) {
        this.sql = sql;
        this.orders = orders;
        this.dispatching = dispatching;
        this.stock = stock;
        this.clock = clock;
    }

    /** What came back of an order, the earliest first. */
    public List<Returned> of(long order) {
        return sql.sql("select line, quantity, restocked, at, actor from goods_back where order_id = :order "
                        + "order by at, line")
                .param("order", order)
                .query(Returned.class)
                .list();
    }

    /**
     * Takes goods back, once for a key.
     *
     * @param lines how many came back, by the places of the order's lines
     * @param restock whether they go into stock again, as far as they are counted
     * @throws ApiProblem if more would be back than has left
     */
    @Transactional
    public void take(long id, String key, Map<Integer, BigDecimal> lines, boolean restock, String actor) {
        Orders.Order order = orders.locked(id);
        if (taken(id, key)) {
            return;
        }
        Map<Integer, BigDecimal> before = new HashMap<>();
        of(id).forEach(back -> before.merge(back.line(), back.quantity(), BigDecimal::add));
        List<QuoteView.Line> sold = KeptQuotes.read(order.quote()).lines();
        var gone = dispatching.gone(id);
        if (lines.isEmpty()) {
            throw refused(
                    Message.of("order.nothing-named-that-came-back"), Message.of("order.type-how-many-came-back"));
        }
        lines.forEach((line, quantity) -> {
            if (!gone.contains(line)
                    || quantity == null
                    || quantity.signum() <= 0
                    || quantity.scale() > 3
                    || before.getOrDefault(line, BigDecimal.ZERO)
                                    .add(quantity)
                                    .compareTo(sold.get(line).quantity())
                            > 0) {
                throw refused(Message.of("order.more-back-than-has-left"), Message.of("order.type-how-many-came-back"));
            }
            sql.sql("insert into goods_back(order_id, line, client_key, quantity, restocked, at, actor) values "
                            + "(:order, :line, :key, :quantity, :restocked, :at, :actor)")
                    .param("order", id)
                    .param("line", line)
                    .param("key", key)
                    .param("quantity", quantity)
                    .param("restocked", restock)
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                    .param("actor", actor)
                    .update();
            if (restock) {
                sold.get(line).counted().ifPresent(item -> stock.giveBack(order.shop(), item, quantity));
            }
        });
    }

    private boolean taken(long id, String key) {
        return sql.sql("select count(*) from goods_back where order_id = :order and client_key = :key")
                        .param("order", id)
                        .param("key", key)
                        .query(Long.class)
                        .single()
                > 0;
    }

    private static ApiProblem refused(Message sentence, Message remedy) {
        return new ApiProblem(HttpStatus.CONFLICT, "lines", sentence, remedy);
    }
}
