package vestcoin.app.order;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vestcoin.core.discount.History;

/** The orders of all shops. An order keeps the edition and the quote it was priced by. */
@Repository
public class Orders {
    public static final int PAGE = 50;

    /** @param payable in minor units */
    public record Order(long id, String shop, int number, String token, int edition, String mode, String document, String quote, String currency,
            long payable, String email, String name, String country, String address, Instant placedAt) {}

    /** One row of the list. @param state of the latest payment, {@code unpaid} before the first; amounts in minor units */
    public record Row(int number, String name, String country, String mode, String currency, long payable, Instant placedAt, String state, long amount,
            long captured, long refunded) {}

    /** A new order. @param clientKey made once by the buyer's page, so that sending twice places once */
    public record New(String shop, String clientKey, int edition, String mode, String document, String quote, String currency, long payable,
            String email, String name, String country, String address, List<Use> uses) {}

    /** A discount an order takes. @param limit in all @param limitPerBuyer for one buyer; both taken in the placing transaction */
    public record Use(String discount, Optional<Integer> limit, Optional<Integer> limitPerBuyer) {}

    /** A discount was used up between the quote and the order. */
    public static final class UsedUp extends RuntimeException {
        UsedUp(String discount) {
            super(discount);
        }
    }

    private static final String ORDER = """
            select id, shop, number, token, edition, mode, document, quote, currency, payable, email, name, country, address, placed_at from orders
            """;

    private final JdbcClient sql;
    private final Clock clock;

    Orders(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Places an order, or gives the one placed before with the same client key. */
    @Transactional
    public Order place(New order) {
        sql.sql("select id from shop where id = :shop for update").param("shop", order.shop()).query(String.class).single();
        Optional<Order> before = sql.sql(ORDER + "where shop = :shop and client_key = :key").param("shop", order.shop()).param("key", order.clientKey()).query(Order.class).optional();
        if (before.isPresent()) {
            return before.get();
        }
        String token = UUID.randomUUID().toString();
        sql.sql("""
                insert into orders(shop, number, token, client_key, edition, mode, document, quote, currency, payable, email, buyer, name, country, address, placed_at)
                values (:shop, (select coalesce(max(number), 1000) + 1 from orders where shop = :shop), :token, :key, :edition, :mode, :document, :quote,
                        :currency, :payable, :email, :buyer, :name, :country, :address, :at)""")
                .param("shop", order.shop()).param("token", token).param("key", order.clientKey()).param("edition", order.edition()).param("mode", order.mode())
                .param("document", order.document()).param("quote", order.quote()).param("currency", order.currency()).param("payable", order.payable())
                .param("email", order.email()).param("buyer", normal(order.email())).param("name", order.name()).param("country", order.country()).param("address", order.address())
                .param("at", clock.instant().atOffset(ZoneOffset.UTC)).update();
        Order placed = byToken(token).orElseThrow();
        order.uses().forEach(use -> take(placed, use));
        return placed;
    }

    /** Counts a use against its limits; the shop's row is locked, so two orders cannot both take the last. */
    private void take(Order order, Use use) {
        History now = history(order.shop(), order.email());
        if (use.limit().filter(limit -> now.uses().getOrDefault(use.discount(), 0) >= limit).isPresent()
                || use.limitPerBuyer().filter(limit -> now.usesByBuyer().getOrDefault(use.discount(), 0) >= limit).isPresent()) {
            throw new UsedUp(use.discount());
        }
        sql.sql("insert into discount_use(shop, discount, order_id, buyer) values (:shop, :discount, :order, :buyer)").param("shop", order.shop())
                .param("discount", use.discount()).param("order", order.id()).param("buyer", normal(order.email())).update();
    }

    /** How often each discount has been used, in all and by the buyer of an address, and how often that buyer has ordered. */
    public History history(String shop, String email) {
        String buyer = normal(email);
        Map<String, Integer> uses = new HashMap<>();
        Map<String, Integer> own = new HashMap<>();
        sql.sql("""
                select discount, count(*) as used, count(case when buyer = :buyer then 1 end) as own
                from discount_use where shop = :shop group by discount""").param("shop", shop).param("buyer", buyer).query().listOfRows().forEach(row -> {
                    uses.put((String) row.get("discount"), ((Number) row.get("used")).intValue());
                    own.put((String) row.get("discount"), ((Number) row.get("own")).intValue());
                });
        int placed = buyer.isEmpty() ? 0 : sql.sql("select count(*) from orders where shop = :shop and buyer = :buyer").param("shop", shop).param("buyer", buyer).query(Integer.class).single();
        return new History(uses, own, placed);
    }

    /** An e-mail address as buyers are told apart by it. */
    static String normal(String email) {
        return email == null ? "" : email.strip().toLowerCase(Locale.ROOT);
    }

    public Optional<Order> byToken(String token) {
        return sql.sql(ORDER + "where token = :token").param("token", token).query(Order.class).optional();
    }

    public Optional<Order> byNumber(String shop, int number) {
        return sql.sql(ORDER + "where shop = :shop and number = :number").param("shop", shop).param("number", number).query(Order.class).optional();
    }

    /** A page of the list, newest first, below an order number. */
    public List<Row> page(String shop, int below) {
        return sql.sql("""
                select o.number, o.name, o.country, o.mode, o.currency, o.payable, o.placed_at, coalesce(p.state, 'unpaid') as state,
                       coalesce(p.amount, 0) as amount, coalesce(p.captured, 0) as captured, coalesce(p.refunded, 0) as refunded
                from (select * from orders where shop = :shop and number < :below order by number desc limit :page) o
                left join payment p on p.id = (select max(id) from payment where order_id = o.id)
                order by o.number desc""")
                .param("shop", shop).param("below", below).param("page", PAGE).query(Row.class).list();
    }

    public long count(String shop) {
        return sql.sql("select count(*) from orders where shop = :shop").param("shop", shop).query(Long.class).single();
    }
}
