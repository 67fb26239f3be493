package vestcoin.app.sales;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.app.order.OrderPlaced;
import vestcoin.app.order.Orders;
import vestcoin.app.outside.MailAddress;

/** Who has bought from a shop: how often, when last, and what came of it. */
@Repository
class BuyerList {
    static final int PAGE = 50;

    /** One buyer, known by their e-mail address. @param lastOrder id of their latest order */
    record BuyerRow(
            String buyer, String email, String name, int orders, Instant firstAt, Instant lastAt, long lastOrder) {}

    /**
     * What of a buyer's orders was paid and given back, in minor units.
     *
     * @param open how many orders of theirs stand
     */
    record BuyerSum(String buyer, String currency, int open, long captured, long refunded) {}

    private final JdbcClient sql;
    private final Orders orders;

    BuyerList(JdbcClient sql, Orders orders) {
        this.sql = sql;
        this.orders = orders;
    }

    /** Counts an order, in its own transaction, in which the shop's row is locked. */
    @EventListener
    void placed(OrderPlaced placed) {
        Orders.Order order = orders.byId(placed.order());
        int known = sql.sql("""
                        update shop_buyer set orders = orders + 1, name = :name, email = :email, last_at = :at,
                            last_order = :order where shop = :shop and mode = :mode and buyer = :buyer""")
                .param("name", order.name())
                .param("email", order.email())
                .param("at", order.placedAt().atOffset(ZoneOffset.UTC))
                .param("order", order.id())
                .param("shop", order.shop())
                .param("mode", order.mode())
                .param("buyer", MailAddress.normal(order.email()))
                .update();
        if (known == 0) {
            sql.sql("""
                            insert into shop_buyer(shop, mode, buyer, email, name, orders, first_at, last_at,
                                last_order)
                            values (:shop, :mode, :buyer, :email, :name, 1, :at, :at, :order)""")
                    .param("name", order.name())
                    .param("email", order.email())
                    .param("at", order.placedAt().atOffset(ZoneOffset.UTC))
                    .param("order", order.id())
                    .param("shop", order.shop())
                    .param("mode", order.mode())
                    .param("buyer", MailAddress.normal(order.email()))
                    .update();
        }
    }

    /**
     * A page, who bought last first.
     *
     * @param words the beginning of a name or of an e-mail address
     * @param below the latest order of the last one on the page before
     */
    List<BuyerRow> page(String shop, String mode, Optional<String> words, Optional<Long> below, int most) {
        var asked = sql.sql("select buyer, email, name, orders, first_at, last_at, last_order from shop_buyer "
                        + "where shop = :shop and mode = :mode"
                        + (words.isPresent()
                                ? " and (name_begins >= :words and name_begins < :past or buyer >= :words and buyer < "
                                        + ":past)"
                                : "")
                        + (below.isPresent() ? " and last_order < :below" : "")
                        + " order by last_order desc limit :most")
                .param("shop", shop)
                .param("mode", mode)
                .param("most", most);
        if (words.isPresent()) {
            String begins = words.get().strip().toLowerCase(Locale.ROOT);
            asked = asked.param("words", begins).param("past", begins + Character.MAX_VALUE);
        }
        if (below.isPresent()) {
            asked = asked.param("below", below.get());
        }
        return asked.query(BuyerRow.class).list();
    }

    /** What came of some buyers, by currency. */
    List<BuyerSum> sums(String shop, String mode, List<String> buyers) {
        return buyers.isEmpty()
                ? List.of()
                : sql.sql("""
                        select o.buyer, o.currency, count(distinct o.id) as open,
                            coalesce(sum(p.captured), 0) as captured, coalesce(sum(p.refunded), 0) as refunded
                        from orders o left join payment p on p.order_id = o.id
                        where o.shop = :shop and o.mode = :mode and o.buyer in (:buyers) and o.cancelled_at is null
                        group by o.buyer, o.currency order by o.buyer, o.currency""")
                        .param("shop", shop)
                        .param("mode", mode)
                        .param("buyers", buyers)
                        .query(BuyerSum.class)
                        .list();
    }

    /** All of them, the one who bought last first, as many at a time as a page has. */
    @Transactional(readOnly = true)
    void each(String shop, String mode, Consumer<List<BuyerRow>> take) {
        List<BuyerRow> page = page(shop, mode, Optional.empty(), Optional.empty(), PAGE);
        while (!page.isEmpty()) {
            take.accept(page);
            page = Stream.of(page.get(page.size() - 1).lastOrder())
                    .flatMap(last -> page(shop, mode, Optional.empty(), Optional.of(last), PAGE).stream())
                    .toList();
        }
    }
}
